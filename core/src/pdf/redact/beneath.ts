import { marksBeneath, redactedOn, withoutPhrases } from '../../derived/index.ts';
import { type DocState, withMarksLeft } from '../../document/index.ts';
import { kindFor, type Mark } from '../../kinds/index.ts';

/** Whether something must not leave any page of a document. */
export const isRedacted = ({ marks, pages }: DocState): boolean =>
  pages.some(({ id }) => redactedOn(marks.get(id) ?? new Map()).length > 0);

/**
 * A document as it may stand in a copy: marks of which some lies beneath bars are not in it, nor what is said of them; the others as they are in copies. The
 * same one where there is nothing to leave out.
 */
export function withoutBeneath(document: DocState): DocState {
  const gone = new Set<string>();
  let changed = false;
  const marks = new Map(
    [...document.marks].map(([page, on]) => {
      const beneath = marksBeneath(on);
      for (const id of beneath.keys()) gone.add(id);
      const left = [...on].flatMap(([id, mark]): [string, Mark][] =>
        beneath.has(id) ? [] : [[id, kindFor(mark).inCopy?.(mark) ?? mark]],
      );
      const isSame = left.length === on.size && left.every(([id, mark]) => on.get(id) === mark);
      changed ||= !isSame;
      return [page, isSame ? on : new Map(left)];
    }),
  );
  return changed ? withMarksLeft(withoutPhrases(document), marks, gone) : document;
}

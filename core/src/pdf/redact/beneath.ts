import { boundsOf, redactedOn } from '../../derived/index.ts';
import type { DocState, PageMarks } from '../../document/index.ts';
import { boxCorners, type Convex, convexArea, convexMeet } from '../../geometry/index.ts';
import { kindFor, type Mark } from '../../kinds/index.ts';
import { aroundQuad, type Quad } from '../../print/index.ts';

/** Bars as areas; those without an inside hide nothing. */
export const areasOf = (quads: readonly Quad[]): Convex[] =>
  quads.flatMap((quad) => convexArea(aroundQuad(quad)) ?? []);

/** Whether something must not leave any page of a document. */
export const isRedacted = ({ marks, pages }: DocState): boolean =>
  pages.some(({ id }) => redactedOn(marks.get(id) ?? new Map()).length > 0);

/** Marks of which some lies beneath, bars left out. */
export function marksBeneath(marks: PageMarks): Map<string, Mark> {
  const areas = areasOf(redactedOn(marks));
  if (areas.length === 0) return new Map();
  return new Map(
    [...marks].filter(([, mark]) => {
      if (kindFor(mark).redacts) return false;
      const own = convexArea(boxCorners(boundsOf(mark)));
      return own !== null && areas.some((area) => convexMeet(area, own));
    }),
  );
}

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
  if (!changed) return document;
  const threads = new Map([...document.threads].filter(([, { mark }]) => !gone.has(mark)));
  return { ...document, marks, threads };
}

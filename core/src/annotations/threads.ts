import { LONGEST_REMARK, type Remark, type Thread } from '../document/index.ts';
import type { MarkId } from '../marks/index.ts';
import type { Annotation } from './annotation.ts';

/** States that close what is said (ISO 32000-1, table 171). */
const SETTLED = 'Completed';
const OPEN = new Set(['None', 'Unmarked', 'Marked']);
/** What other states say, as an answer. */
const SAYINGS: Readonly<Record<string, string>> = {
  Accepted: 'Accepted.',
  Rejected: 'Rejected.',
  Cancelled: 'Cancelled.',
};
/** Longer names are cut. */
const LONGEST_AUTHOR = 200;

const authorOf = ({ author }: Annotation): string => author.slice(0, LONGEST_AUTHOR);

/** Which of a list answer one of it, answers to answers too. */
export function answersUnder(annotations: readonly Annotation[], index: number): number[] {
  const under = new Set([index]);
  // Answers to answers are met in as many rounds as they lie deep; who answers in a circle is met once.
  for (let before = 0; before !== under.size;) {
    before = under.size;
    annotations.forEach(({ answers }, k) => {
      if (answers?.as === 'answer' && under.has(answers.to)) under.add(k);
    });
  }
  under.delete(index);
  return [...under].sort((a, b) => a - b);
}

/** An annotation that answers another, with what it is called here. */
export interface Answer {
  readonly id: string;
  readonly annotation: Annotation;
}

const timeOf = ({ madeAt, changedAt }: Annotation, now: number): number =>
  madeAt ?? changedAt ?? now;

function remarkOf(
  id: string,
  annotation: Annotation,
  now: number,
  text = annotation.contents,
): Remark {
  const { madeAt, changedAt } = annotation;
  return {
    id,
    author: authorOf(annotation),
    text: text.slice(0, LONGEST_REMARK),
    madeAt: timeOf(annotation, now),
    editedAt: madeAt !== null && changedAt !== null && changedAt > madeAt ? changedAt : null,
  };
}

/**
 * What is said about a mark: in its annotation, unless that is what the mark shows, and in those that answer it, in order of time. Null where nothing is.
 * @param now for what does not say when it was written, ms since 1970
 */
export function threadOf(
  mark: MarkId,
  own: Annotation,
  answers: readonly Answer[],
  now: number,
): Thread | null {
  const isShown = own.sketch?.subtype === 'FreeText';
  const remarks: Remark[] = [];
  if (!isShown && own.contents.trim() !== '') remarks.push(remarkOf(`${mark}.said`, own, now));
  let settled: Thread['settled'] = null;
  const inTime = [...answers].sort((a, b) => timeOf(a.annotation, now) - timeOf(b.annotation, now));
  for (const { id, annotation } of inTime) {
    const { state, contents } = annotation;
    if (!state) {
      if (contents.trim() !== '') remarks.push(remarkOf(id, annotation, now));
    } else if (state.says === SETTLED)
      settled = { by: authorOf(annotation), at: timeOf(annotation, now) };
    else if (OPEN.has(state.says)) settled = null;
    else if (SAYINGS[state.says]) remarks.push(remarkOf(id, annotation, now, SAYINGS[state.says]));
  }
  if (remarks.length === 0) return null;
  return { id: `${mark}.thread`, mark, remarks, settled, tags: [] };
}

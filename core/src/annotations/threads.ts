import { LONGEST_REMARK, type Remark, type Thread } from '../document/index.ts';
import type { MarkId } from '../marks/index.ts';
import type { Annotation } from './annotation.ts';
import { showsContents } from './showsContents.ts';

/** The state that closes what is said, and those that open it again (ISO 32000-1, table 171). */
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

/** Who has written it, as far as that is kept. */
export const authorOf = ({ author }: Annotation): string => author.slice(0, LONGEST_AUTHOR);

/** An annotation that answers another, with what it is called here. */
export interface Answer {
  readonly id: string;
  readonly annotation: Annotation;
}

/** When it was written; `now` where it does not say, ms since 1970. */
export const timeOf = ({ madeAt, changedAt }: Annotation, now: number): number =>
  madeAt ?? changedAt ?? now;

/** Whether what an annotation's state is said of is settled by it: by whom and when, null where it is opened, undefined where the state says neither. */
export function settlementOf(annotation: Annotation, now: number): Thread['settled'] | undefined {
  const says = annotation.state?.says ?? '';
  if (says === SETTLED) return { by: authorOf(annotation), at: timeOf(annotation, now) };
  return OPEN.has(says) ? null : undefined;
}

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
  const isShown = showsContents(own.sketch);
  const remarks: Remark[] = [];
  if (!isShown && own.contents.trim() !== '') remarks.push(remarkOf(`${mark}.said`, own, now));
  let settled: Thread['settled'] = null;
  const inTime = [...answers].sort((a, b) => timeOf(a.annotation, now) - timeOf(b.annotation, now));
  for (const { id, annotation } of inTime) {
    const { state, contents } = annotation;
    const settlement = settlementOf(annotation, now);
    const says = state ? (SAYINGS[state.says] ?? '') : contents;
    if (settlement !== undefined) settled = settlement;
    else if (says.trim() !== '') remarks.push(remarkOf(id, annotation, now, says));
  }
  if (remarks.length === 0) return null;
  return { id: `${mark}.thread`, mark, remarks, settled, tags: [] };
}

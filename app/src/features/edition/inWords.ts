import type { CarryReason, Verdict } from '@marginalis/core/edition';
import { asInk, kindFor, type Mark } from '@marginalis/core/kinds';
import type { Unit } from './units';

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  certain: 'Certain',
  likely: 'Likely',
  lost: 'No place',
};

/** Why a mark was carried where it was. */
export const REASONS: Readonly<Record<CarryReason, string>> = {
  words: 'Its words are there',
  reflowed: 'Its words are there, on other lines',
  reworded: 'Some of its words have changed',
  around: 'What stands around it is there',
  changed: 'What stands around it has changed in part',
  page: 'The page is as it was',
  picture: 'The page looks as it did',
  gone: 'What it was about is not there any more',
  noPage: 'Its page is not there any more',
  sameField: 'Its field is there',
  field: 'It fills in a field of the earlier file',
  moved: 'Where you have put it',
};

/** What has become of marks that go together. */
export function saidOf({ verdict, placed: [{ reason }] }: Unit): string {
  return reason === 'moved'
    ? REASONS.moved
    : `${VERDICT_WORDS[verdict]}: ${REASONS[reason].toLowerCase()}`;
}

/** What has become of the marks, counted. */
export function countedInWords(counts: Readonly<Record<Verdict, number>>): string {
  const { certain, likely, lost } = counts;
  const all = certain + likely + lost;
  if (all === 0) return 'There is nothing on the pages to carry over.';
  const said = [
    certain > 0 && `${certain} certain`,
    likely > 0 && `${likely} likely`,
    lost > 0 && `${lost} without a place`,
  ].filter(Boolean);
  return `${all === 1 ? '1 mark' : `${all} marks`}: ${said.join(', ')}.`;
}

/** What marks that belong together are called. */
export function nameOf(marks: readonly Mark[]): string {
  const [first] = marks;
  if (marks.length > 1)
    return marks.every((mark) => asInk(mark))
      ? `Writing, ${marks.length} strokes`
      : `${marks.length} marks`;
  const { name, text } = kindFor(first).words(first);
  return text === '' ? name : `${name}: ${text}`;
}

import type { List, TextBlock } from './textBlock.ts';

/** Text begins so far in behind a bullet, and behind a number of so many figures, of the size. */
const BULLET = 1.1;
const FIGURE = 0.62;
const FULL_STOP = 0.75;
/** Between what stands before a paragraph and its text, of the size. */
export const LIST_GAP = 0.35;

/** The paragraphs of a text as they are marked: those that say nothing are not. */
export function listMarkers(text: string, list: List): (string | null)[] {
  let number = 0;
  return text.split('\n').map((paragraph) => {
    if (paragraph.trim() === '') return null;
    number++;
    return list === 'numbers' ? `${number}.` : '•';
  });
}

/** How far in the text of a list begins, points; 0 where it is none. */
export function hangOf({ list, spans }: Pick<TextBlock, 'list' | 'spans'>): number {
  if (!list) return 0;
  const [{ style }] = spans;
  if (list === 'bullets') return BULLET * style.size;
  const count = spans.reduce((sum, { text }) => sum + text.split('\n').length - 1, 1);
  return (FIGURE * String(count).length + FULL_STOP) * style.size;
}

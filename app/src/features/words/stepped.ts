import type { Page } from '@marginalis/core/document';
import { type Print, wordNumber, wordOnNextLine } from '@marginalis/core/print';
import type { WordEnd } from '@/session';

/** A step through the words: to the next or the one before, on the line or on another. */
export interface Way {
  readonly by: 1 | -1;
  readonly lines: boolean;
}

const WAYS: Readonly<Record<string, Way>> = {
  ArrowLeft: { by: -1, lines: false },
  ArrowRight: { by: 1, lines: false },
  ArrowUp: { by: -1, lines: true },
  ArrowDown: { by: 1, lines: true },
};

export const wayOf = (key: string): Way | null => WAYS[key] ?? null;

/**
 * A place one step on, at the beginning or the end of its word, over the end of a page onto the next that has words; null where there is none whose print
 * is known.
 */
export function stepped(
  pages: readonly Page[],
  printOf: (page: Page) => Print | null,
  { page, place }: WordEnd,
  { by, lines }: Way,
  side: 'start' | 'end',
): WordEnd | null {
  const print = printOf(pages[page]);
  if (!print || print.words.length === 0) return null;
  const word = wordNumber(print, place);
  const next = lines ? wordOnNextLine(print, word, by) : word + by;
  if (next !== null && print.words[next]) return endOf(page, print, next, side);
  for (let k = page + by; pages[k]; k += by) {
    const other = printOf(pages[k]);
    if (!other) return null;
    if (other.words.length === 0) continue;
    return endOf(k, other, by > 0 ? 0 : other.words.length - 1, side);
  }
  return null;
}

const endOf = (page: number, { words }: Print, word: number, side: 'start' | 'end'): WordEnd => ({
  page,
  place: side === 'start' ? words[word].from : words[word].to,
});

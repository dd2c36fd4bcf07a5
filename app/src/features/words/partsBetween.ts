import type { Page } from '@marginalis/core/document';
import { bodyOf, type Print, type TextRange, wordsBetween } from '@marginalis/core/print';
import type { ChosenPart, WordEnd } from '@/session';

/** Words of one page, with the page. */
export interface PagePart {
  readonly page: Page;
  /** From 0. */
  readonly index: number;
  readonly print: Print;
  readonly range: TextRange;
}

/** The pages from one to another, whichever comes first. */
export const pagesBetween = (a: number, b: number): number[] =>
  Array.from({ length: Math.abs(a - b) + 1 }, (_, k) => Math.min(a, b) + k);

/**
 * The words between two places of a document, page by page in reading order, out to whole words. What goes on over the end of a page leaves out what
 * stands at its head and foot. A page whose print is not known says nothing.
 */
export function partsBetween(
  pages: readonly Page[],
  printOf: (page: Page) => Print | null,
  a: WordEnd,
  b: WordEnd,
): PagePart[] {
  const [first, last] =
    a.page < b.page || (a.page === b.page && a.place <= b.place) ? [a, b] : [b, a];
  return pagesBetween(first.page, last.page).flatMap((index): PagePart[] => {
    const page = pages[index];
    const print = page && printOf(page);
    if (!print || print.words.length === 0) return [];
    const body = bodyOf(print);
    const from = index === first.page ? first.place : body.from;
    const to = index === last.page ? last.place : body.to;
    return [{ page, index, print, range: wordsBetween(print, from, to) }];
  });
}

/** As the session holds them. */
export const asChosen = (parts: readonly PagePart[]): ChosenPart[] =>
  parts.map(({ page, print, range }) => ({ page: page.id, print, range }));

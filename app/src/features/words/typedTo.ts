import type { Page } from '@marginalis/core/document';
import { type Print, wordAround } from '@marginalis/core/print';
import type { TypedSelection, WordEnd } from '@/session';
import { type PagePart, partsBetween } from './partsBetween';
import { stepped, type Way } from './stepped';

/** The caret a step on, and the words that are selected then: its own, or with `selects` all from where it was begun. Null where there is no step that way. */
export function typedTo(
  pages: readonly Page[],
  printOf: (page: Page) => Print | null,
  { anchor, caret }: TypedSelection,
  way: Way,
  selects: boolean,
): { readonly typed: TypedSelection; readonly parts: readonly PagePart[] } | null {
  const to = stepped(pages, printOf, caret, way, 'start');
  if (!to) return null;
  const from = selects ? anchor : to;
  const isAfter = to.page > from.page || (to.page === from.page && to.place > from.place);
  // The caret stands before its word, which belongs to what is selected from before it on.
  const last = isAfter ? afterWord(printOf(pages[to.page]), to) : to;
  return {
    typed: { anchor: from, caret: to },
    parts: partsBetween(pages, printOf, from, last),
  };
}

const afterWord = (print: Print | null, end: WordEnd): WordEnd => ({
  ...end,
  place: (print && wordAround(print, end.place)?.to) ?? end.place,
});

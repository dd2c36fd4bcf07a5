import type { Thread } from '../document/index.ts';
import { asWords, type Mark, textOfStrips, withWordsOf } from '../kinds/index.ts';
import type { PageId } from '../marks/index.ts';
import type { Print } from '../print/index.ts';

/** Pages with marks over print, whose words are still to be found. */
export const pagesToRead = (marks: readonly Mark[]): ReadonlySet<PageId> =>
  new Set(marks.filter((mark) => asWords(mark)).map(({ page }) => page));

const plain = (text: string): string =>
  text
    .normalize('NFKC')
    .replace(/[\s\u00ad-]+/g, '')
    .toLowerCase();

/**
 * Marks that were drawn over print, with the words they lie on. Many programs write the words themselves as what is said about them: that is no note.
 * @param print of the marks' pages; null where one cannot be read
 */
export function overPrint(
  { marks, threads }: { readonly marks: readonly Mark[]; readonly threads: readonly Thread[] },
  print: (page: PageId) => Print | null,
): { readonly marks: readonly Mark[]; readonly threads: readonly Thread[] } {
  const repeated = new Set<string>();
  const said = new Map(threads.map((thread) => [thread.mark, thread]));
  const placed = marks.map((mark) => {
    const words = asWords(mark);
    const printed = words && print(words.page);
    if (!words || !printed) return mark;
    const found = withWordsOf(words, printed);
    const thread = said.get(mark.id);
    const [only] = thread?.remarks ?? [];
    const marked = plain(textOfStrips(found.strips));
    if (thread?.remarks.length === 1 && marked !== '' && plain(only.text) === marked)
      repeated.add(thread.id);
    return found;
  });
  return { marks: placed, threads: threads.filter(({ id }) => !repeated.has(id)) };
}

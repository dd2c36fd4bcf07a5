import { numberedName, type Numbering, type Page } from '../document/index.ts';

/**
 * The names of the pages of a document, in order: the label that its file gives a page, such as "iv" or "A-3", and otherwise its number. Paper that stands
 * between labelled pages is named after the page before. From a page on with which a numbering of one's own begins, that is what counts. `labels` are those of the pages of a source; null where it has none.
 */
export function pageNames(
  pages: readonly Page[],
  labels: (source: string) => readonly string[] | null,
): string[] {
  const isLabelled = pages.some(({ shows }) => 'source' in shows && labels(shows.source));
  const names: string[] = [];
  let sheets = 0;
  let own: { readonly numbering: Numbering; readonly from: number } | null = null;
  pages.forEach(({ shows, numbering }, k) => {
    if (numbering) own = { numbering, from: k };
    if (own) return void names.push(numberedName(own.numbering, k - own.from));
    const before = names[k - 1 - sheets];
    if ('paper' in shows) {
      sheets++;
      names.push(isLabelled && before ? before + '+'.repeat(sheets) : String(k + 1));
      return;
    }
    sheets = 0;
    names.push(labels(shows.source)?.[shows.index] || String(k + 1));
  });
  return names;
}

/** The page, from 0, that a person means by what they typed: a name first, then a number; null when there is none. */
export function pageNamed(names: readonly string[], typed: string): number | null {
  const wanted = typed.trim().toLowerCase();
  const named = names.findIndex((name) => name.toLowerCase() === wanted);
  if (named >= 0) return named;
  const number = Number(wanted);
  return Number.isInteger(number) && number >= 1 && number <= names.length ? number - 1 : null;
}

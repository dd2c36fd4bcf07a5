import { type DocState, type Page, sourcesOfPages } from '../document/index.ts';
import type { OutlineEntry } from './outline.ts';

/** The outline of a file whose pages a document shows. */
export interface SourceOutline {
  readonly source: string;
  readonly entries: readonly OutlineEntry[];
}

/** The pages of a document that show a source, by their numbers there, from 0; of several that show the same the first. */
export function shownOf(pages: readonly Page[], source: string): ReadonlyMap<number, Page> {
  const shown = new Map<number, Page>();
  for (const page of pages)
    if ('source' in page.shows && page.shows.source === source && !shown.has(page.shows.index))
      shown.set(page.shows.index, page);
  return shown;
}

/**
 * The outlines of the files that a document shows, in the order in which their pages begin.
 * @param leading the file that the document is of: its outline stays whole; of the others only what leads to pages that came in
 */
export function outlinesOf(
  { pages }: Pick<DocState, 'pages'>,
  leading: string,
  known: ReadonlyMap<string, readonly OutlineEntry[]>,
): SourceOutline[] {
  // Where no page of the leading one is left, it is said that it was there.
  const sources = new Set([...sourcesOfPages(pages), leading]);
  return [...sources].flatMap((source) => {
    const entries = known.get(source) ?? [];
    if (source === leading) return entries.length > 0 ? [{ source, entries }] : [];
    const come = comeAlong(entries, shownOf(pages, source));
    return come.length > 0 ? [{ source, entries: come }] : [];
  });
}

function comeAlong(
  entries: readonly OutlineEntry[],
  shown: ReadonlyMap<number, unknown>,
): OutlineEntry[] {
  return entries.flatMap((entry) => {
    const under = comeAlong(entry.under, shown);
    const leads = entry.address !== null || (entry.place !== null && shown.has(entry.place.page));
    return leads || under.length > 0 ? [{ ...entry, under }] : [];
  });
}

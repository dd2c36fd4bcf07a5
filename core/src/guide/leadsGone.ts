import type { DocState } from '../document/index.ts';
import type { OutlineEntry } from './outline.ts';

/** What leads to pages that were taken out of the document. */
export interface LeadsGone {
  /** Entries of the file's outline. */
  readonly entries: number;
  /** The person's own. */
  readonly bookmarks: number;
}

/** @param outline of the file that is called `source` */
export function leadsGone(
  { pages, bookmarks }: DocState,
  source: string,
  outline: readonly OutlineEntry[],
): LeadsGone {
  const there = new Set<number>();
  for (const { shows } of pages)
    if ('source' in shows && shows.source === source) there.add(shows.index);
  const gone = (entries: readonly OutlineEntry[]): number =>
    entries.reduce(
      (sum, { place, under }) => sum + gone(under) + (place && !there.has(place.page) ? 1 : 0),
      0,
    );
  const ids = new Set(pages.map(({ id }) => id));
  return {
    entries: gone(outline),
    bookmarks: [...bookmarks.values()].filter(({ page }) => !ids.has(page)).length,
  };
}

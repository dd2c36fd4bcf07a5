import type { Bookmark, DocState, Page } from '../document/index.ts';
import { displayMatrix, displaySize, transform, type Vec } from '../geometry/index.ts';
import type { PageId } from '../marks/index.ts';
import { type OutlineEntry, pointOf } from './outline.ts';
import { shownOf, type SourceOutline } from './outlinesOf.ts';

/** A place of a document; the page as a whole where `at`, in user space, is null. */
export interface GuidePlace {
  readonly page: PageId;
  readonly at: Vec | null;
}

/** One line of the contents. */
export interface ContentsRow {
  readonly key: string;
  readonly title: string;
  /** From 0. */
  readonly depth: number;
  /** Null where it leads nowhere in the document. */
  readonly place: GuidePlace | null;
  readonly address: string | null;
  /** The person's own, where it is no entry of the file. */
  readonly bookmark: Bookmark | null;
  /** Other rows stand under it. */
  readonly holds: boolean;
  /** They are to be seen at first. */
  readonly open: boolean;
  /** How far into the document it leads, in pages; null where it leads nowhere. */
  readonly far: number | null;
}

const numbers = new WeakMap<readonly Page[], ReadonlyMap<PageId, number>>();

function numbersOf(pages: readonly Page[]): ReadonlyMap<PageId, number> {
  let known = numbers.get(pages);
  if (!known) numbers.set(pages, (known = new Map(pages.map(({ id }, n) => [id, n]))));
  return known;
}

/** How far into the document a place lies: pages before it, and the share of its page above it. */
export function farOf(pages: readonly Page[], { page, at }: GuidePlace): number | null {
  const n = numbersOf(pages).get(page);
  if (n === undefined) return null;
  if (!at) return n;
  const { y } = transform(displayMatrix(pages[n]), at);
  return n + Math.min(0.999, Math.max(0, y / displaySize(pages[n]).height));
}

/** The person's own bookmarks of pages that are there, in their own order. */
export const ownBookmarks = ({
  bookmarks,
  pages,
}: Pick<DocState, 'bookmarks' | 'pages'>): Bookmark[] => {
  const there = numbersOf(pages);
  return [...bookmarks.values()]
    .filter(({ page }) => there.has(page))
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
};

/** Own bookmarks as rows, in the person's own order. */
export const bookmarkRows = (document: DocState): ContentsRow[] =>
  ownBookmarks(document).map((bookmark) => rowOf(document.pages, bookmark, 0));

/**
 * The outlines of a document's files with the person's own bookmarks among their entries, each under the entry in whose part of the document it lies, as
 * both are read in one go.
 */
export function contentsOf(document: DocState, outlines: readonly SourceOutline[]): ContentsRow[] {
  const { pages } = document;
  const rows = outlines.flatMap(({ source, entries }, nth): ContentsRow[] => {
    const shown = shownOf(pages, source);
    const found: ContentsRow[] = [];
    const add = (under: readonly OutlineEntry[], depth: number, path: string): void =>
      under.forEach(({ title, place, address, open, under: more }, k) => {
        const page = place && shown.get(place.page);
        const key = `${path}${k}`;
        const to = place && page ? { page: page.id, at: pointOf(place, page) } : null;
        const far = to && farOf(pages, to);
        const holds = more.length > 0;
        found.push({ key, title, depth, place: to, address, bookmark: null, holds, open, far });
        add(more, depth + 1, `${key}.`);
      });
    add(entries, 0, nth === 0 ? '' : `${nth}:`);
    return found;
  });
  return among(rows, bookmarkRows(document));
}

/** Puts bookmarks among the entries of an outline. */
function among(entries: readonly ContentsRow[], own: readonly ContentsRow[]): ContentsRow[] {
  const after = new Map<ContentsRow | null, ContentsRow[]>();
  const inOrder = [...own].sort((a, b) => (a.far ?? 0) - (b.far ?? 0));
  for (const row of inOrder) {
    const before = rowAt(entries, row.far ?? 0);
    after.set(before, [...(after.get(before) ?? []), row]);
  }
  const withOwn = (row: ContentsRow | null): ContentsRow[] => {
    const here = after.get(row) ?? [];
    if (!row) return here;
    const under = here.map((one) => ({ ...one, depth: row.depth + 1 }));
    return [under.length > 0 ? { ...row, holds: true } : row, ...under];
  };
  return [...withOwn(null), ...entries.flatMap(withOwn)];
}

/** The row in whose part of the document a place lies: the last that begins there or before; null before the first. */
export function rowAt(rows: readonly ContentsRow[], far: number): ContentsRow | null {
  let best: ContentsRow | null = null;
  for (const row of rows)
    if (row.far !== null && row.far <= far && row.far >= (best?.far ?? -1)) best = row;
  return best;
}

/** The rows that are seen when those of `folded` hide what stands under them. */
export function unfolded(
  rows: readonly ContentsRow[],
  folded: (row: ContentsRow) => boolean,
): ContentsRow[] {
  const seen: ContentsRow[] = [];
  let hidden = Infinity;
  for (const row of rows) {
    if (row.depth > hidden) continue;
    hidden = row.holds && folded(row) ? row.depth : Infinity;
    seen.push(row);
  }
  return seen;
}

function rowOf(pages: readonly Page[], bookmark: Bookmark, depth: number): ContentsRow {
  const place = { page: bookmark.page, at: bookmark.at };
  const far = farOf(pages, place);
  const { id: key, title } = bookmark;
  return { key, title, depth, place, address: null, bookmark, holds: false, open: true, far };
}

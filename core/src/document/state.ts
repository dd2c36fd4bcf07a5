import type { Mark } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import { PageMap } from './pageMap.ts';
import type { Attachment, Bookmark, OwnLink, Page, Tag, Thread } from './parts/index.ts';

export type PageMarks = ReadonlyMap<MarkId, Mark>;

/** The document: its parts. Never changed in place. */
export interface DocState {
  /** In order. */
  readonly pages: readonly Page[];
  /** By page; those of pages that were taken out stay, unseen, until the page is back. */
  readonly marks: ReadonlyMap<PageId, PageMarks>;
  readonly bookmarks: ReadonlyMap<string, Bookmark>;
  readonly threads: ReadonlyMap<string, Thread>;
  readonly tags: ReadonlyMap<string, Tag>;
  readonly links: ReadonlyMap<string, OwnLink>;
  readonly attachments: ReadonlyMap<string, Attachment>;
}

export const NO_MARKS: PageMarks = new Map();

/** Nothing but pages, given in order. */
export const emptyDocument = (pages: readonly Page[]): DocState => ({
  pages,
  marks: new Map(),
  bookmarks: new Map(),
  threads: new Map(),
  tags: new Map(),
  links: new Map(),
  attachments: new Map(),
});

const idsOf = new WeakMap<readonly Page[], ReadonlyMap<PageId, Page>>();

/** The pages by id; kept as long as they are the same pages. */
export function pagesById({ pages }: DocState): ReadonlyMap<PageId, Page> {
  let map = idsOf.get(pages);
  if (!map) idsOf.set(pages, (map = new Map(pages.map((page) => [page.id, page]))));
  return map;
}

export const findPage = (state: DocState, id: PageId): Page | null =>
  pagesById(state).get(id) ?? null;

/** The sources that pages come from, each once. */
export const sourcesOfPages = (pages: readonly Page[]): readonly string[] => [
  ...new Set(pages.flatMap(({ shows }) => ('source' in shows ? [shows.source] : []))),
];

/** Whether the document shows all pages of its source, which has so many, as they came, and no others. */
export const isAsCame = ({ pages }: DocState, sha: string, count: number): boolean =>
  pages.length === count &&
  pages.every(
    ({ shows, turn, crop }, k) =>
      'source' in shows && shows.source === sha && shows.index === k && turn === 0 && !crop,
  );

/** The marks of a page; the same object as long as none of them changes. */
export const marksOn = (state: DocState, page: PageId): PageMarks =>
  state.marks.get(page) ?? NO_MARKS;

/** A mark that can be seen; null where there is none of this id, or its page was taken out. */
export function findMark(state: DocState, id: MarkId): Mark | null {
  for (const [page, marks] of state.marks) {
    const mark = marks.get(id);
    if (mark) return findPage(state, page) ? mark : null;
  }
  return null;
}

/** The marks of a page from the lowest to the topmost. */
export const inOrder = (marks: PageMarks): Mark[] =>
  [...marks.values()].sort((a, b) => a.order - b.order);

const sorted = new WeakMap<PageMarks, readonly Mark[]>();

/** The marks of a base from the lowest to the topmost; kept as long as the base. */
function baseInOrder(base: PageMarks): readonly Mark[] {
  let marks = sorted.get(base);
  if (!marks) sorted.set(base, (marks = inOrder(base)));
  return marks;
}

/** The order of a page's topmost mark, 0 when there is none. */
export function topOrder(marks: PageMarks): number {
  const { base, patch } = PageMap.partsOf(marks);
  const below = baseInOrder(base);
  let last = below.length - 1;
  while (last >= 0 && patch.has(below[last].id)) last--;
  let top = below[last]?.order ?? 0;
  for (const mark of patch.values()) top = Math.max(top, mark?.order ?? 0);
  return top;
}

/** The marks below `order` from the topmost down, as far as they are asked for. */
export function* fromTop(marks: PageMarks, order = Infinity): Generator<Mark, undefined> {
  const { base, patch } = PageMap.partsOf(marks);
  const below = baseInOrder(base);
  const changed = [...patch.values()].filter((mark) => mark !== null);
  changed.sort((a, b) => a.order - b.order);
  let [i, k] = [below.length - 1, changed.length - 1];
  while (i >= 0 || k >= 0) {
    const takes = k < 0 || (i >= 0 && below[i].order > changed[k].order);
    const mark = takes ? below[i--] : changed[k--];
    if (mark.order < order && !(takes && patch.has(mark.id))) yield mark;
  }
}

/** An order above every mark of the page. */
export const nextOrder = (state: DocState, page: PageId): number =>
  topOrder(marksOn(state, page)) + 1;

/**
 * The source that a document is made of: the one it came as, as long as a page shows it; else the one that most pages show.
 * @param came as what it came
 */
export function leadingSource(pages: readonly Page[], came: string): string {
  const counts = new Map<string, number>();
  for (const { shows } of pages)
    if ('source' in shows) counts.set(shows.source, (counts.get(shows.source) ?? 0) + 1);
  if (counts.has(came) || counts.size === 0) return came;
  return [...counts].sort(([, a], [, b]) => b - a)[0][0];
}

/** The same document with nothing but plain maps, as it can be sent to another thread. */
export const plainDocument = ({ marks, ...state }: DocState): DocState => ({
  ...state,
  marks: new Map([...marks].map(([page, onPage]) => [page, new Map(onPage)])),
});

/** How many marks can be seen. */
export const countMarks = (state: DocState): number =>
  state.pages.reduce((n, { id }) => n + marksOn(state, id).size, 0);

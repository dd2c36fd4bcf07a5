import type { PageBox } from '../geometry/index.ts';
import type { Mark, MarkId, PageId } from '../marks/index.ts';
import { PageMap } from './pageMap.ts';

/** A page of a document: which page of which source it shows. */
export interface PageRef extends PageBox {
  readonly id: PageId;
  /** SHA-256 of the source's bytes, lower-case hex. */
  readonly source: string;
  /** Zero-based page of that source. */
  readonly index: number;
}

export type PageMarks = ReadonlyMap<MarkId, Mark>;

/** The document: its pages in order and the marks on them. Never changed in place. */
export interface DocState {
  readonly pages: readonly PageRef[];
  readonly marks: ReadonlyMap<PageId, PageMarks>;
}

export const NO_MARKS: PageMarks = new Map();

export const emptyDocument = (pages: readonly PageRef[]): DocState => ({ pages, marks: new Map() });

/** The marks of a page; the same object as long as none of them changes. */
export const marksOn = (state: DocState, page: PageId): PageMarks =>
  state.marks.get(page) ?? NO_MARKS;

export function findMark(state: DocState, id: MarkId): Mark | null {
  for (const marks of state.marks.values()) {
    const mark = marks.get(id);
    if (mark) return mark;
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

/** The same document with nothing but plain maps, as it can be sent to another thread. */
export const plainDocument = ({ pages, marks }: DocState): DocState => ({
  pages,
  marks: new Map([...marks].map(([page, onPage]) => [page, new Map(onPage)])),
});

export function countMarks(state: DocState): number {
  let n = 0;
  for (const marks of state.marks.values()) n += marks.size;
  return n;
}

import type { PageBox } from '../geometry/index.ts';
import type { Mark, MarkId, PageId } from '../marks/index.ts';

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

const NO_MARKS: PageMarks = new Map();

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

const tops = new WeakMap<PageMarks, number>();

/** The order of a page's topmost mark, 0 when there is none. */
export function topOrder(marks: PageMarks): number {
  let top = tops.get(marks);
  if (top === undefined) {
    top = 0;
    for (const mark of marks.values()) top = Math.max(top, mark.order);
    tops.set(marks, top);
  }
  return top;
}

/** An order above every mark of the page. */
export const nextOrder = (state: DocState, page: PageId): number =>
  topOrder(marksOn(state, page)) + 1;

export function countMarks(state: DocState): number {
  let n = 0;
  for (const marks of state.marks.values()) n += marks.size;
  return n;
}

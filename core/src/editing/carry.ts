import { boundsOf } from '../derived/index.ts';
import {
  type DocState,
  findMark,
  nextOrder,
  type Transaction,
  type MarkChange,
  markChange,
} from '../document/index.ts';
import {
  type Box,
  boxCentre,
  boxOfPoints,
  displayMatrix,
  EMPTY_BOX,
  invertMatrix,
  type Matrix,
  moveBy,
  subtract,
  thenMatrix,
  transform,
  uniteBoxes,
  type Vec,
  type PageBox,
} from '../geometry/index.ts';
import {
  asText,
  type CarryOptions,
  cornersOfBox,
  kindFor,
  type Mark,
  type TextMark,
} from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';

/** A mark under an affine map of its page. */
export const carryMark = (mark: Mark, matrix: Matrix, options: CarryOptions = {}): Mark =>
  kindFor(mark).carry(mark, matrix, options);

/** The marks there are among the ids that may be changed, from the lowest to the topmost. */
export const changeable = (state: DocState, ids: Iterable<MarkId>): Mark[] =>
  [...new Set(ids)]
    .map((id) => findMark(state, id))
    .filter((mark): mark is Mark => mark !== null && !mark.locked)
    .sort((a, b) => a.order - b.order);

/** Those of them that can be moved. */
export const movable = (state: DocState, ids: Iterable<MarkId>): Mark[] =>
  changeable(state, ids).filter((mark) => !kindFor(mark).bound);

const changesTo = (marks: readonly Mark[], after: (mark: Mark) => Mark): MarkChange[] =>
  marks.map((before) => markChange(before, after(before)));

/** Marks that are carried together; a callout that is carried by itself goes on pointing where it did. */
export function carryTogether(
  marks: readonly Mark[],
  matrix: Matrix,
  options?: CarryOptions,
): Mark[] {
  const carried = marks.map((mark) => carryMark(mark, matrix, options));
  const callout = marks.length === 1 ? asText(marks[0]) : null;
  return callout?.leader ? [{ ...carried[0], leader: callout.leader } as TextMark] : carried;
}

/** Around what is carried by a box: of a callout by itself the box of its text. */
export function boundsCarried(marks: readonly Mark[]): Box {
  const callout = marks.length === 1 ? asText(marks[0]) : null;
  return callout?.leader ? boxOfPoints(cornersOfBox(callout)) : boundsOfAll(marks);
}

/** Moves, scales or turns marks on their page; null when there is none that may be. */
export function carryMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  matrix: Matrix,
  label: string,
  options?: CarryOptions,
): Transaction | null {
  const marks = movable(state, ids);
  if (marks.length === 0) return null;
  const carried = carryTogether(marks, matrix, options);
  return { label, changes: marks.map((before, k) => markChange(before, carried[k])) };
}

/** The map that lays what is seen on one page on another, upright and as large, its middle at `to` of the other. */
export function pageMap(from: PageBox, to: PageBox, middle: Vec, at: Vec): Matrix {
  const seen = displayMatrix(from);
  const back = invertMatrix(displayMatrix(to));
  const shown = transform(seen, middle);
  const wanted = transform(displayMatrix(to), at);
  return thenMatrix(thenMatrix(seen, moveBy(subtract(wanted, shown))), back);
}

/** Moves marks to another page, the middle of them to a place there; null when there is none that may be. */
export function moveToPage(
  state: DocState,
  ids: Iterable<MarkId>,
  page: PageId,
  at: Vec,
): Transaction | null {
  const marks = movable(state, ids);
  const to = state.pages.find(({ id }) => id === page);
  const from = state.pages.find(({ id }) => id === marks[0]?.page);
  if (!to || !from) return null;
  const matrix = pageMap(from, to, boxCentre(boundsOfAll(marks)), at);
  let order = nextOrder(state, page);
  const changes = changesTo(marks, (mark) => ({
    ...carryMark(mark, matrix),
    page,
    order: order++,
  }));
  return { label: 'Move to another page', changes };
}

/** Around all of the marks. */
export const boundsOfAll = (marks: readonly Mark[]): Box =>
  marks.map(boundsOf).reduce(uniteBoxes, EMPTY_BOX);

import { boundsOf } from '../derived/index.ts';
import {
  type Change,
  type DocState,
  findMark,
  nextOrder,
  type PageRef,
  type Transaction,
} from '../document/index.ts';
import {
  type Box,
  boxCentre,
  displayMatrix,
  EMPTY_BOX,
  IDENTITY,
  invertMatrix,
  type Matrix,
  moveBy,
  scaleAbout,
  subtract,
  thenMatrix,
  transform,
  uniteBoxes,
  type Vec,
} from '../geometry/index.ts';
import { mapFigure } from '../figures/index.ts';
import type { InkMark, Mark, MarkId, PageId } from '../marks/index.ts';

/** How marks are carried to another place. */
export interface CarryManners {
  /** Whether lines grow wider as the mark grows. */
  readonly widthFollows?: boolean;
}

const sizeOf = (m: Matrix): number => Math.sqrt(Math.abs(m[0] * m[3] - m[1] * m[2]));

/** The even part of a map: grown by its mean scale, and the middle where the map takes it. */
function evenly(m: Matrix, middle: Vec): Matrix {
  const size = sizeOf(m);
  const to = transform(m, middle);
  return thenMatrix(scaleAbout(size, size, middle), moveBy(subtract(to, middle)));
}

/** A mark under an affine map of its page. Ink keeps its samples, and only learns where it is now. */
export function carryMark(
  mark: Mark,
  matrix: Matrix,
  { widthFollows = false }: CarryManners = {},
): Mark {
  const style = widthFollows
    ? { ...mark.style, width: mark.style.width * sizeOf(matrix) }
    : mark.style;
  if (mark.kind === 'ink') return carryInk({ ...mark, style }, matrix);
  // Cuts are counted along the line: a figure that is cut keeps its proportions.
  const m = mark.left ? evenly(matrix, boxCentre(boundsOf(mark))) : matrix;
  return {
    ...mark,
    style,
    figure: mapFigure(mark.figure, m),
    from: mark.from.map((ink) => carryInk(ink, m)),
  };
}

function carryInk(mark: InkMark, matrix: Matrix): InkMark {
  const place = thenMatrix(mark.ink.place ?? IDENTITY, matrix);
  return { ...mark, ink: { ...mark.ink, place } };
}

/** The marks there are among the ids that may be changed, from the lowest to the topmost. */
export const changeable = (state: DocState, ids: Iterable<MarkId>): Mark[] =>
  [...new Set(ids)]
    .map((id) => findMark(state, id))
    .filter((mark): mark is Mark => mark !== null && !mark.locked)
    .sort((a, b) => a.order - b.order);

const changesTo = (marks: readonly Mark[], after: (mark: Mark) => Mark): Change[] =>
  marks.map((before) => ({ id: before.id, before, after: after(before) }));

/** Moves, scales or turns marks on their page; null when there is none that may be. */
export function carryMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  matrix: Matrix,
  label: string,
  manners?: CarryManners,
): Transaction | null {
  const marks = changeable(state, ids);
  if (marks.length === 0) return null;
  return { label, changes: changesTo(marks, (mark) => carryMark(mark, matrix, manners)) };
}

/** The map that lays what is seen on one page on another, upright and as large, its middle at `to` of the other. */
export function pageMap(from: PageRef, to: PageRef, middle: Vec, at: Vec): Matrix {
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
  const marks = changeable(state, ids);
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

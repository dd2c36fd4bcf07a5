import {
  type Box,
  box,
  boxCentre,
  boxHeight,
  boxWidth,
  displayMatrix,
  growBox,
  type PageBox,
  transformBox,
  type Vec,
} from '../geometry/index.ts';
import { type DrawnShapes, squaresOf } from './drawnShapes.ts';
import type { Print } from './print.ts';

/** Squares that are set as a letter. */
const SIGNS = /[\u2610\u25a1\u25a2\u25fb\u25ab\u274f\u2750\u2b1c]|[[(][\s\u00a0]?[\])]/gu;
/** More squares are on no page that is to be ticked; they are cells. */
const MOST = 400;
/** Squares no farther apart are cells of one row or one table, points. */
const TOUCHING = 1.5;
/** Between brackets there is so much room, points: in more one writes. */
const LEAST = 2;
const MOST_BETWEEN = 12;

/** The squares of a page that are meant to be ticked, as the page is seen: empty ones, by themselves, drawn or set as a letter or as brackets. */
export function tickBoxes(shapes: DrawnShapes, print: Print, page: PageBox): Box[] {
  const display = displayMatrix(page);
  const drawn = shapes.squares.length <= 4 * MOST ? squaresOf(shapes, page) : [];
  const words = print.words.map((word) => boxCentre(transformBox(display, word.box)));
  const free = drawn.filter(
    (one) =>
      !words.some((at) => isIn(one, at)) &&
      !drawn.some((other) => other !== one && isBeside(one, other)),
  );
  return [...free, ...setAsLetters(print, (b) => transformBox(display, b))];
}

/** The square that is tapped at `at`, or no farther from it than `reach`; null for none. */
export const tickBoxAt = (boxes: readonly Box[], at: Vec, reach: number): Box | null =>
  boxes.find((one) => isIn(growBox(one, reach), at)) ?? null;

const isIn = (b: Box, { x, y }: Vec): boolean =>
  x >= b.minX && x <= b.maxX && y >= b.minY && y <= b.maxY;

/** They share a side. */
function isBeside(a: Box, b: Box): boolean {
  const along = Math.min(a.maxX, b.maxX) - Math.max(a.minX, b.minX);
  const down = Math.min(a.maxY, b.maxY) - Math.max(a.minY, b.minY);
  return (
    (Math.abs(along) < TOUCHING && down > boxHeight(a) / 2) ||
    (Math.abs(down) < TOUCHING && along > boxWidth(a) / 2)
  );
}

function setAsLetters({ text, boxes }: Print, seen: (b: Box) => Box): Box[] {
  return [...text.matchAll(SIGNS)].flatMap(({ 0: said, index }) => {
    const boxOf = (at: number): Box => {
      const [minX, minY, maxX, maxY] = boxes.subarray(4 * at, 4 * at + 4);
      return seen(box(minX, minY, maxX, maxY));
    };
    const first = boxOf(index);
    if (said.length === 1) return [first];
    const last = boxOf(index + said.length - 1);
    const between = { ...first, minX: first.maxX, maxX: last.minX };
    const wide = boxWidth(between);
    return wide >= LEAST && wide <= MOST_BETWEEN ? [between] : [];
  });
}

import type { Box } from '../geometry/index.ts';
import type { SeenLines, Upright } from './seenLines.ts';

/** A cell of a table or of a form: points from the page's upper left corner as it is seen, y down. */
export interface Cell extends Box {
  /** Nothing is printed in it. */
  readonly empty: boolean;
}

/** What is no farther apart touches, points. */
const TOUCHING = 1.5;
/** Cells that one line is written in are so wide and so high, points. */
const NARROWEST = 14;
const LOWEST = 9;
const HIGHEST = 46;
/** So much of the sides and of the head is drawn. */
const DRAWN = 0.9;
/** A page with more lines is squared paper or a drawing. */
const MOST = 4_000;

/** The cells of a page that one line can be written in: frames, parted by lines. */
export function cellsIn({ levels, uprights }: SeenLines, words: readonly Box[]): Cell[] {
  if (levels.length + uprights.length > MOST) return [];
  const sides = joinedUprights(uprights);
  const rows = heightsOf(levels);
  const cells: Cell[] = [];
  for (const foot of rows) {
    const standing = sides.filter(
      (side) => side.foot > foot.y - TOUCHING && side.top < foot.y - LOWEST + TOUCHING,
    );
    for (let k = 0; k + 1 < standing.length; k++) {
      const [minX, maxX] = [standing[k].x, standing[k + 1].x];
      if (maxX - minX < NARROWEST || !covers(foot, minX, maxX)) continue;
      const head = headOver(rows, foot.y, minX, maxX);
      if (head === null) continue;
      const top = Math.max(standing[k].top, standing[k + 1].top);
      if (top > head + TOUCHING) continue;
      const cell = { minX, minY: head, maxX, maxY: foot.y };
      cells.push({ ...cell, empty: !words.some((word) => isIn(cell, word)) });
    }
  }
  return cells;
}

/** Cells side by side that hold nothing throughout are squared paper when there are more. */
const MOST_BARE = 8;
const SQUARE = 1.12;

/** What of the cells is written in, and what they say of the lines around them. */
export interface CellPlaces {
  /** Empty ones, in rows with others, or by themselves. */
  readonly empty: readonly Cell[];
  /** Cells whose sides are no lines for answers. */
  readonly sides: readonly Cell[];
  /** Empty ones of one column above each other: a ruled frame, whose lines are written on. */
  readonly ruled: readonly Cell[];
}

export function placesIn(cells: readonly Cell[]): CellPlaces {
  const empty: Cell[] = [];
  const ruled: Cell[] = [];
  const sides: Cell[] = [];
  for (const table of tablesOf(cells)) {
    const isColumn = table.every((cell) => isNear(cell.minX, table[0].minX));
    const bare = table.every((cell) => cell.empty);
    if (isColumn && bare && table.length > 1) ruled.push(...table);
    else sides.push(...table);
    if ((isColumn && bare && table.length > 1) || (bare && table.length > MOST_BARE)) continue;
    const bareOnes = table.filter((cell) => cell.empty);
    const squares = bareOnes.filter(isSquare);
    empty.push(
      ...(squares.length > MOST_BARE ? bareOnes.filter((cell) => !isSquare(cell)) : bareOnes),
    );
  }
  return { empty, sides, ruled };
}

/** Of squared paper, where there are many. */
const isSquare = (cell: Cell): boolean => {
  const share = (cell.maxX - cell.minX) / (cell.maxY - cell.minY);
  return share > 1 / SQUARE && share < SQUARE;
};

const isNear = (a: number, b: number): boolean => Math.abs(a - b) < 2 * TOUCHING;

/** Cells that share sides, together. */
function tablesOf(cells: readonly Cell[]): Cell[][] {
  const sorted = [...cells].sort((a, b) => a.minY - b.minY);
  /** Of each the first cell known to belong to its table, which leads to the first of all. */
  const first = sorted.map((_, k) => k);
  const firstOf = (k: number): number => {
    let at = k;
    while (first[at] !== at) at = first[at] = first[first[at]];
    return at;
  };
  sorted.forEach((cell, k) => {
    // What begins beneath its foot touches neither it nor what follows.
    for (let n = k + 1; n < sorted.length && sorted[n].minY < cell.maxY + 2 * TOUCHING; n++)
      if (isBeside(cell, sorted[n])) first[firstOf(n)] = firstOf(k);
  });
  const tables = new Map<number, Cell[]>();
  sorted.forEach((cell, k) => {
    const table = tables.get(firstOf(k));
    if (table) table.push(cell);
    else tables.set(firstOf(k), [cell]);
  });
  return [...tables.values()];
}

function isBeside(a: Cell, b: Cell): boolean {
  const along = Math.min(a.maxX, b.maxX) - Math.max(a.minX, b.minX);
  const down = Math.min(a.maxY, b.maxY) - Math.max(a.minY, b.minY);
  return (
    (Math.abs(along) < 2 * TOUCHING && down > LOWEST / 2) ||
    (Math.abs(down) < 2 * TOUCHING && along > NARROWEST / 2)
  );
}

interface Heights {
  readonly y: number;
  readonly parts: readonly { readonly from: number; readonly to: number }[];
}

/** Level lines by their heights, from the top down. */
function heightsOf(levels: SeenLines['levels']): Heights[] {
  const rows: { y: number; parts: { from: number; to: number }[] }[] = [];
  for (const level of [...levels].sort((a, b) => a.y - b.y)) {
    const row = rows.at(-1);
    if (row && level.y - row.y < TOUCHING) row.parts.push(level);
    else rows.push({ y: level.y, parts: [level] });
  }
  for (const row of rows) row.parts.sort((a, b) => a.from - b.from);
  return rows;
}

function covers({ parts }: Heights, from: number, to: number): boolean {
  let [drawn, at] = [0, from];
  for (const part of parts) {
    const begin = Math.max(at, part.from);
    const end = Math.min(to, part.to);
    if (end <= begin) continue;
    drawn += end - begin;
    at = end;
  }
  return drawn >= DRAWN * (to - from);
}

/** The height of the next line above a stretch of another; null where it is too near or too far. */
function headOver(rows: readonly Heights[], y: number, from: number, to: number): number | null {
  for (let k = rows.length - 1; k >= 0; k--) {
    const away = y - rows[k].y;
    if (away < TOUCHING) continue;
    if (away > HIGHEST) return null;
    if (covers(rows[k], from, to)) return away < LOWEST ? null : rows[k].y;
  }
  return null;
}

/** Uprights from left to right; those that go on in each other are one. */
function joinedUprights(uprights: readonly Upright[]): Upright[] {
  const joined: Upright[] = [];
  for (const one of [...uprights].sort((a, b) => a.x - b.x || a.top - b.top)) {
    const k = joined.findIndex(
      (other) =>
        Math.abs(other.x - one.x) < TOUCHING &&
        one.top < other.foot + TOUCHING &&
        one.foot > other.top - TOUCHING,
    );
    if (k < 0) joined.push(one);
    else
      joined[k] = {
        x: joined[k].x,
        top: Math.min(joined[k].top, one.top),
        foot: Math.max(joined[k].foot, one.foot),
      };
  }
  return joined.sort((a, b) => a.x - b.x);
}

const isIn = (cell: Box, word: Box): boolean =>
  Math.min(cell.maxX, word.maxX) - Math.max(cell.minX, word.minX) > TOUCHING &&
  Math.min(cell.maxY, word.maxY) - Math.max(cell.minY, word.minY) > 2 * TOUCHING;

import { type Box, boxCentre } from '../geometry/index.ts';
import type { Level, SeenLines, Upright } from './seenLines.ts';

/** Cells of one width in a row, each for a letter: points from the page's upper left corner as it is seen, y down. */
export interface Comb {
  readonly from: number;
  readonly to: number;
  /** The foot of its cells, and how high they are, or how much is free above them where only their feet are drawn. */
  readonly y: number;
  readonly room: number;
  /** Width of a cell. */
  readonly cell: number;
}

/** What is off by less is level, upright, at one height, points. */
const CLOSE = 1;
/** Sides of cells, points: those of letters are no smaller and no larger. */
const NARROWEST = 7;
const WIDEST = 36;
const HIGHEST = 36;
/** Sides this high hold letters; lower ones part a line, where that much is free above. */
const HIGH = 9;
const LOWEST = 2.5;
const FREE = 9;
/** Cells are of one width within this, points and of the width. */
const EVEN = 0.7;
const EVEN_SHARE = 0.06;
/** Fewer cells are a comb only where each is a square of its own. */
const FEWEST = 3;
const FEWEST_SQUARES = 2;
/** Cells above each other are a comb in two rows; in more they are a table, or squared paper. */
const MOST_ROWS = 2;
/** More pieces are squared paper, or a drawing. */
const MOST = 3_000;

/**
 * The combs of a page, empty ones, from the top down and from left to right.
 * @param words boxes of the words, as the page is seen
 * @param squares small frames, as the page is seen
 */
export function combs(
  { levels, uprights }: SeenLines,
  words: readonly Box[],
  squares: readonly Box[],
): Comb[] {
  if (levels.length + uprights.length > MOST) return [];
  const sides = uprights.filter(({ top, foot }) => foot - top >= LOWEST);
  const low = sides.filter(({ top, foot }) => foot - top <= HIGHEST);
  const found = byFoot(low)
    .flatMap((row) => evenRuns(row, sides, levels))
    .flatMap((row) => combOf(row, words, levels, squares) ?? []);
  return found
    .filter((comb) => rowsWith(comb, found) <= MOST_ROWS)
    .sort((a, b) => (Math.abs(a.y - b.y) < CLOSE ? a.from - b.from : a.y - b.y));
}

/** Uprights whose feet stand at one height, from left to right; two at one place are one, as high as the higher. */
function byFoot(uprights: readonly Upright[]): Upright[][] {
  const rows: Upright[][] = [];
  for (const one of [...uprights].sort((a, b) => a.foot - b.foot)) {
    const row = rows.at(-1);
    if (row && one.foot - row[0].foot < CLOSE) row.push(one);
    else rows.push([one]);
  }
  return rows.map((row) =>
    row
      .sort((a, b) => a.x - b.x)
      .reduce<Upright[]>((kept, one) => {
        const last = kept.at(-1);
        if (last && one.x - last.x < CLOSE)
          kept[kept.length - 1] = { ...last, top: Math.min(last.top, one.top) };
        else kept.push(one);
        return kept;
      }, []),
  );
}

/** Stretches of a row whose uprights stand at one distance, that of a cell, on a line. */
function evenRuns(
  row: readonly Upright[],
  sides: readonly Upright[],
  levels: readonly Level[],
): Upright[][] {
  const feet = levels.filter(({ y }) => Math.abs(y - row[0].foot) < 1.5 * CLOSE);
  const hasFoot = (from: number, to: number): boolean => {
    const middle = (from + to) / 2;
    return feet.some((level) => level.from < middle && level.to > middle);
  };
  const runs: Upright[][] = [];
  for (let k = 0; k + 1 < row.length;) {
    const first = row[k + 1].x - row[k].x;
    const off = EVEN + EVEN_SHARE * first;
    const isCell = (at: number): boolean =>
      at + 1 < row.length &&
      Math.abs(row[at + 1].x - row[at].x - first) < off &&
      hasFoot(row[at].x, row[at + 1].x);
    let end = k;
    while (isCell(end)) end++;
    if (end > k && first >= NARROWEST && first <= WIDEST) {
      // The outer sides may be those of a larger frame.
      const [head, foot] = [row[k], row[end]];
      const before = wallAt(sides, head, head.x - first, off);
      const after = wallAt(sides, foot, foot.x + first, off);
      runs.push([
        ...(before && hasFoot(before.x, head.x) ? [before] : []),
        ...row.slice(k, end + 1),
        ...(after && hasFoot(foot.x, after.x) ? [after] : []),
      ]);
    }
    // The last upright of a run may be the first of the next.
    k = Math.max(end, k + 1);
  }
  return runs;
}

/** The side of a larger frame beside a cell, as high as the cell. */
function wallAt(
  sides: readonly Upright[],
  { top, foot }: Upright,
  x: number,
  off: number,
): Upright | null {
  const wall = sides.find(
    (side) =>
      Math.abs(side.x - x) < off &&
      side.top < top + CLOSE &&
      side.foot > foot - CLOSE &&
      side.foot - side.top > foot - top + 2 * CLOSE,
  );
  return wall ? { x: wall.x, top, foot } : null;
}

/** A row of uprights as a comb; null where it has too few cells, is too low, or something stands in it. */
function combOf(
  row: readonly Upright[],
  words: readonly Box[],
  levels: readonly Level[],
  squares: readonly Box[],
): Comb | null {
  const [from, to] = [row[0].x, row[row.length - 1].x];
  const y = row[0].foot;
  const cells = row.length - 1;
  const isIn = (one: Box, reach: number): boolean =>
    one.minX > from - reach && one.maxX < to + reach && Math.abs(one.maxY - y) < reach;
  const ofSquares = squares.filter((one) => isIn(one, CLOSE)).length >= cells;
  if (cells < (ofSquares ? FEWEST_SQUARES : FEWEST)) return null;
  // The sides within may be lower than those at the ends; those are what is to be filled.
  const high = y - Math.min(...row.map(({ top }) => top));
  const least = y - Math.max(...row.map(({ top }) => top));
  const room = high >= HIGH ? high : freeAbove({ from, to, y }, words, levels);
  if (room < FREE || (high < HIGH && high - least > CLOSE)) return null;
  const isTaken = words.some((word) => {
    const at = boxCentre(word);
    return at.x > from && at.x < to && at.y > y - room && at.y < y;
  });
  return isTaken ? null : { from, to, y, room, cell: (to - from) / cells };
}

/** How much is free above a line, up to what a cell may have. */
function freeAbove(line: Level, words: readonly Box[], levels: readonly Level[]): number {
  const { from, to, y } = line;
  let free = HIGHEST / 2;
  for (const word of words)
    if (word.minX < to && word.maxX > from && word.minY < y - CLOSE)
      free = Math.min(free, Math.max(0, y - word.maxY));
  for (const level of levels)
    if (level.from < to && level.to > from && level.y < y - 2 * CLOSE)
      free = Math.min(free, y - level.y);
  return free;
}

/** How many rows of the same cells stand right above and beneath each other here. */
function rowsWith(comb: Comb, all: readonly Comb[]): number {
  const isSame = (other: Comb): boolean =>
    Math.min(comb.to, other.to) - Math.max(comb.from, other.from) > comb.cell / 2 &&
    Math.abs(comb.cell - other.cell) < EVEN;
  const next = (y: number): Comb | undefined =>
    all.find((other) => isSame(other) && Math.abs(other.y - y) < 2 * CLOSE);
  let rows = 1;
  for (let above = next(comb.y - comb.room); above; above = next(above.y - above.room)) rows++;
  for (let y = comb.y; ; rows++) {
    const below = all.find(
      (other) => isSame(other) && Math.abs(other.y - other.room - y) < 2 * CLOSE,
    );
    if (!below) return rows;
    y = below.y;
  }
}

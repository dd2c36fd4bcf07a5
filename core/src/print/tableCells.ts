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

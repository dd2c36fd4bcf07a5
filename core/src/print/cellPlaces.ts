import type { Cell } from './tableCells.ts';

/** What is no farther apart touches, points. */
const TOUCHING = 3;
/** Cells share a side where they have more of it in common, points. */
const IN_COMMON = 5;
/** Empty cells that are as wide as high, or stand in a table of none but empty ones, are squared paper when there are more. */
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

/** Which of the cells of a page are meant to be written in. */
export function placesIn(cells: readonly Cell[]): CellPlaces {
  const [empty, sides, ruled]: [Cell[], Cell[], Cell[]] = [[], [], []];
  for (const table of tablesOf(cells)) {
    const isBare = table.every((cell) => cell.empty);
    const isColumn = table.every((cell) => Math.abs(cell.minX - table[0].minX) < TOUCHING);
    if (isBare && isColumn && table.length > 1) {
      ruled.push(...table);
      continue;
    }
    sides.push(...table);
    if (isBare && table.length > MOST_BARE) continue;
    const free = table.filter((cell) => cell.empty);
    const isSquared = free.filter(isSquare).length > MOST_BARE;
    empty.push(...(isSquared ? free.filter((cell) => !isSquare(cell)) : free));
  }
  return { empty, sides, ruled };
}

function isSquare({ minX, minY, maxX, maxY }: Cell): boolean {
  const share = (maxX - minX) / (maxY - minY);
  return share > 1 / SQUARE && share < SQUARE;
}

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
    for (let n = k + 1; n < sorted.length && sorted[n].minY < cell.maxY + TOUCHING; n++)
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
    (Math.abs(along) < TOUCHING && down > IN_COMMON) ||
    (Math.abs(down) < TOUCHING && along > IN_COMMON)
  );
}

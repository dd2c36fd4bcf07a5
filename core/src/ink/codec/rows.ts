import { GRID, type InkSample } from '../sample.ts';

/** A sample in whole steps of the grid: x, y, t, pressure, and tilt where there is some. */
export function rowOf(s: InkSample, tilted: boolean): number[] {
  const row = [
    Math.round(s.x * GRID.perPoint),
    Math.round(s.y * GRID.perPoint),
    s.t,
    Math.round(s.pressure * GRID.pressure),
  ];
  return tilted ? [...row, s.tiltX ?? 0, s.tiltY ?? 0] : row;
}

export function sampleOf(row: readonly number[], tilted: boolean): InkSample {
  const s = {
    x: row[0] / GRID.perPoint,
    y: row[1] / GRID.perPoint,
    t: row[2],
    pressure: row[3] / GRID.pressure,
  };
  return tilted ? { ...s, tiltX: row[4], tiltY: row[5] } : s;
}

/** What a channel is expected to be next: as it was (order 1), or going on straight (order 2). */
export function expected(order: 1 | 2, before: number, last: number, index: number): number {
  if (index === 0) return 0;
  return order === 1 || index === 1 ? last : 2 * last - before;
}

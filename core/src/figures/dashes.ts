import { distance, lerp, type Vec } from '../geometry/index.ts';

/** How the line of a figure is broken. */
export type Dash = 'none' | 'dashed' | 'dotted';
export const DASHES: readonly Dash[] = ['none', 'dashed', 'dotted'];

/** Length of a dash and of the gap after it, in widths of the line; ends are round, so gaps look shorter by one. */
const PATTERNS: Record<Exclude<Dash, 'none'>, readonly [number, number]> = {
  dashed: [3, 3],
  dotted: [0, 2.2],
};
/** Dashes of a hair-line are no shorter than if it were so wide, points. */
const LEAST_WIDTH = 0.8;

/**
 * The pieces of a line drawn `width` points wide; a dot is a piece of one point. `before` is what of the whole line lies
 * before this part of it, points, so that a part is broken as it was in the whole.
 */
export function dashed(line: readonly Vec[], width: number, dash: Dash, before = 0): Vec[][] {
  if (dash === 'none') return [[...line]];
  const [on, off] = PATTERNS[dash].map((n) => n * Math.max(width, LEAST_WIDTH));
  const pieces: Vec[][] = [];
  const phase = before % (on + off);
  const isOn = phase === 0 || phase < on;
  let piece: Vec[] | null = isOn ? [line[0]] : null;
  let left = isOn ? on - phase : on + off - phase;
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1], line[i]];
    const long = distance(a, b);
    let at = 0;
    while (long - at >= left) {
      at += left;
      const here = lerp(a, b, long === 0 ? 0 : at / long);
      if (piece) {
        pieces.push(on === 0 ? [here] : [...piece, here]);
        piece = null;
        left = off;
      } else {
        piece = [here];
        left = on;
      }
    }
    left -= long - at;
    piece?.push(b);
  }
  if (piece) pieces.push(piece);
  return pieces;
}

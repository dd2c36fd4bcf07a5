import type { Vec } from '../geometry/index.ts';

/** What sways to and fro more often than a hand strays, and farther (rms, points) than one trembles, is a wave. */
const SWINGS = 7;
const STRAY = 1.4;
/** The way a stroke takes is its mean over so many points on either side: a quarter of the points it is read from. */
const AROUND = 8;
/** What is nearer to the way than this share of the stray is on neither side of it. */
const NEITHER_SIDE = 0.8;

/** Whether a stroke of evenly spaced points sways about its way, straight or not: a wavy underline, or writing. */
export function isWave(points: readonly Vec[]): boolean {
  const offsets = offsetsOf(points);
  const stray = Math.sqrt(offsets.reduce((sum, d) => sum + d * d, 0) / offsets.length);
  return stray > STRAY && swingsOf(offsets, NEITHER_SIDE * stray) >= SWINGS;
}

/** How far each point lies to the left of the way the stroke takes there. */
function offsetsOf(points: readonly Vec[]): Float64Array {
  const last = points.length - 1;
  const offsets = new Float64Array(points.length);
  /** Sums of the points around the one looked at: each is added and taken away once. */
  let [x, y, from, to] = [0, 0, 0, -1];
  for (let i = 1; i < last; i++) {
    const reach = Math.min(AROUND, i, last - i);
    for (; to < i + reach; to++) {
      x += points[to + 1].x;
      y += points[to + 1].y;
    }
    for (; from < i - reach; from++) {
      x -= points[from].x;
      y -= points[from].y;
    }
    const count = 2 * reach + 1;
    const dx = points[to].x - points[from].x;
    const dy = points[to].y - points[from].y;
    const long = Math.sqrt(dx * dx + dy * dy);
    if (long > 0)
      offsets[i] = (dx * (points[i].y - y / count) - dy * (points[i].x - x / count)) / long;
  }
  return offsets;
}

/** How often a line goes from one side to the other, each time beyond `least`. */
function swingsOf(offsets: Float64Array, least: number): number {
  let side = 0;
  let swings = 0;
  for (const offset of offsets) {
    if (Math.abs(offset) < least || Math.sign(offset) === side) continue;
    if (side !== 0) swings++;
    side = Math.sign(offset);
  }
  return swings;
}

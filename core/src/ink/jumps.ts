import type { Vec } from '../geometry/index.ts';

/** A jump is so many times longer than the steps before it, and at least so long, points. */
const TIMES = 8;
const LEAST = 15;

/**
 * Whether the last of three steps is no movement of a hand but a lost contact, or a sensor's slip: no hand gets from
 * rest to such a speed between two samples. `a` to `d` are places in order.
 */
export function isJump(a: Vec, b: Vec, c: Vec, d: Vec): boolean {
  const step = Math.hypot(d.x - c.x, d.y - c.y);
  if (step < LEAST) return false;
  const before = Math.max(Math.hypot(b.x - a.x, b.y - a.y), Math.hypot(c.x - b.x, c.y - b.y));
  return step > TIMES * before;
}

/** The samples that lie beyond a jump. */
export function jumpsOf(places: readonly Vec[]): Set<number> {
  const jumps = new Set<number>();
  for (let i = 3; i < places.length; i++)
    if (isJump(places[i - 3], places[i - 2], places[i - 1], places[i])) jumps.add(i);
  return jumps;
}

import type { Vec } from './vec.ts';

/**
 * Which part of the segment `a`–`b` lies within `radius` of the segment `c`–`d`, as shares of its length (0–1); null for
 * none. A capsule is convex, so there is never more than one part.
 */
export function withinCapsule(
  a: Vec,
  b: Vec,
  c: Vec,
  d: Vec,
  radius: number,
): readonly [number, number] | null {
  const spans = [
    withinDisc(a, b, c, radius),
    withinDisc(a, b, d, radius),
    withinStrip(a, b, c, d, radius),
  ].filter((span): span is readonly [number, number] => span !== null);
  if (spans.length === 0) return null;
  const from = Math.max(0, Math.min(...spans.map(([start]) => start)));
  const to = Math.min(1, Math.max(...spans.map(([, end]) => end)));
  return from < to || (from === to && a.x === b.x && a.y === b.y) ? [from, to] : null;
}

/** Where a + t (b − a) is within `radius` of `c`, t not limited; null for nowhere. */
function withinDisc(a: Vec, b: Vec, c: Vec, radius: number): readonly [number, number] | null {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const ex = a.x - c.x;
  const ey = a.y - c.y;
  const qa = dx * dx + dy * dy;
  const qc = ex * ex + ey * ey - radius * radius;
  if (qa === 0) return qc <= 0 ? [0, 1] : null;
  const half = dx * ex + dy * ey;
  const under = half * half - qa * qc;
  if (under < 0) return null;
  const root = Math.sqrt(under);
  return [(-half - root) / qa, (-half + root) / qa];
}

/** Where a + t (b − a) is beside `c`–`d` and no farther than `radius`; null for nowhere. */
function withinStrip(
  a: Vec,
  b: Vec,
  c: Vec,
  d: Vec,
  radius: number,
): readonly [number, number] | null {
  const long = Math.sqrt((d.x - c.x) ** 2 + (d.y - c.y) ** 2);
  if (long === 0) return null;
  const ux = (d.x - c.x) / long;
  const uy = (d.y - c.y) / long;
  const along = (p: Vec): number => (p.x - c.x) * ux + (p.y - c.y) * uy;
  const across = (p: Vec): number => (p.y - c.y) * ux - (p.x - c.x) * uy;
  const beside = between(along(a), along(b), 0, long);
  const near = between(across(a), across(b), -radius, radius);
  if (!beside || !near) return null;
  const from = Math.max(beside[0], near[0]);
  const to = Math.min(beside[1], near[1]);
  return from <= to ? [from, to] : null;
}

/** Where a number that goes from `p` (t = 0) to `q` (t = 1) is within a range. */
function between(
  p: number,
  q: number,
  low: number,
  high: number,
): readonly [number, number] | null {
  if (p === q) return p >= low && p <= high ? [-Infinity, Infinity] : null;
  const [one, other] = [(low - p) / (q - p), (high - p) / (q - p)];
  return one < other ? [one, other] : [other, one];
}

import type { Vec } from './vec.ts';

type Span = readonly [from: number, to: number];

const ALL: Span = [-Infinity, Infinity];

/**
 * Which part of the segment `a`–`b` lies within a reach of the segment `c`–`d`, as shares of its length (0–1); null for
 * none. The reach goes evenly from `atA` to `atB`, both not negative. A distance from a segment less an even change is convex
 * along the way, so there is never more than one part.
 */
export function withinCapsule(
  a: Vec,
  b: Vec,
  c: Vec,
  d: Vec,
  atA: number,
  atB: number = atA,
): Span | null {
  const one = withinDisc(a, b, c, atA, atB);
  const other = withinDisc(a, b, d, atA, atB);
  const strip = withinStrip(a, b, c, d, atA, atB);
  let [from, to] = [Infinity, -Infinity];
  for (const span of [one, other, strip]) {
    if (!span) continue;
    from = Math.min(from, span[0]);
    to = Math.max(to, span[1]);
  }
  from = Math.max(0, from);
  to = Math.min(1, to);
  return from < to || (from === to && a.x === b.x && a.y === b.y) ? [from, to] : null;
}

/** Where a + t (b − a) is within the reach of `c`, t not limited: |a − c + t (b − a)|² ≤ (reach at t)²; null for nowhere. */
function withinDisc(a: Vec, b: Vec, c: Vec, atA: number, atB: number): Span | null {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const ex = a.x - c.x;
  const ey = a.y - c.y;
  const grows = atB - atA;
  const square = dx * dx + dy * dy - grows * grows;
  const half = dx * ex + dy * ey - atA * grows;
  const rest = ex * ex + ey * ey - atA * atA;
  if (square === 0) {
    if (half === 0) return rest <= 0 ? ALL : null;
    const end = -rest / (2 * half);
    return half > 0 ? [-Infinity, end] : [end, Infinity];
  }
  const under = half * half - square * rest;
  if (under < 0) return square < 0 ? ALL : null;
  // The form that loses no digits when the two roots are far apart.
  const q = -(half + (half < 0 ? -1 : 1) * Math.sqrt(under));
  const [s, t] = q === 0 ? [0, 0] : [q / square, rest / q];
  const [low, high] = s < t ? [s, t] : [t, s];
  if (square > 0) return [low, high];
  // The reach changes faster than the way goes on: beyond one of the roots it is a reach, beyond the other less than nothing.
  return grows > 0 ? [high, Infinity] : [-Infinity, low];
}

/** Where a + t (b − a) is beside `c`–`d` and no farther than the reach; null for nowhere. */
function withinStrip(a: Vec, b: Vec, c: Vec, d: Vec, atA: number, atB: number): Span | null {
  const long = Math.sqrt((d.x - c.x) ** 2 + (d.y - c.y) ** 2);
  if (long === 0) return null;
  const ux = (d.x - c.x) / long;
  const uy = (d.y - c.y) / long;
  const along = (p: Vec): number => (p.x - c.x) * ux + (p.y - c.y) * uy;
  const across = (p: Vec): number => (p.y - c.y) * ux - (p.x - c.x) * uy;
  const [one, other] = [across(a), across(b)];
  const spans = [
    between(along(a), along(b), 0, long),
    between(one - atA, other - atB, -Infinity, 0),
    between(one + atA, other + atB, 0, Infinity),
  ];
  let [from, to] = ALL;
  for (const span of spans) {
    if (!span) return null;
    from = Math.max(from, span[0]);
    to = Math.min(to, span[1]);
  }
  return from <= to ? [from, to] : null;
}

/** Where a number that goes from `p` (t = 0) to `q` (t = 1) is within a range. */
function between(p: number, q: number, low: number, high: number): Span | null {
  if (p === q) return p >= low && p <= high ? ALL : null;
  const [one, other] = [(low - p) / (q - p), (high - p) / (q - p)];
  return one < other ? [one, other] : [other, one];
}

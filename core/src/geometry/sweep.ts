import { type Box, boxesMeet, boxOfPoints, growBox } from './box.ts';
import { withinCapsule } from './capsule.ts';
import { nearestOnSegment } from './polyline.ts';
import { lerp, type Vec } from './vec.ts';

/** A disc swept along a polyline, as capsules. */
export interface Sweep {
  readonly pieces: readonly { readonly from: Vec; readonly to: Vec; readonly box: Box }[];
  readonly radius: number;
}

/** A disc of `radius` points swept along a line of one point or more. */
export function sweepAlong(line: readonly Vec[], radius: number): Sweep {
  const points = line.length === 1 ? [line[0], line[0]] : line;
  const pieces = points.slice(1).map((to, k) => {
    const from = points[k];
    return { from, to, box: growBox(boxOfPoints([from, to]), radius) };
  });
  return { pieces, radius };
}

/**
 * The parts of a polyline outside a sweep, as ranges of places along it (2.25 is a quarter of the way from point 2 to
 * point 3), in order; null when the sweep leaves all of it. `extra(i)` is how much wider the sweep is for point `i`,
 * points; between points it changes evenly.
 */
export function partsOutside(
  line: readonly Vec[],
  sweep: Sweep,
  extra: (i: number) => number = () => 0,
): [number, number][] | null {
  if (line.length === 1) {
    const reach = sweep.radius + extra(0);
    const gone = sweep.pieces.some(
      ({ from, to }) => nearestOnSegment(line[0], from, to).distance < reach,
    );
    return gone ? [] : null;
  }
  const parts: [number, number][] = [];
  let start = 0;
  let touched = false;
  for (let i = 0; i + 1 < line.length; i++) {
    for (const [from, to] of covered(line[i], line[i + 1], sweep, [extra(i), extra(i + 1)])) {
      touched = true;
      if (i + from > start) parts.push([start, i + from]);
      start = i + to;
    }
  }
  if (!touched) return null;
  if (start < line.length - 1) parts.push([start, line.length - 1]);
  return parts;
}

type Span = readonly [from: number, to: number];

/** The parts of the segment `a`–`b` under the sweep, in order and not touching each other. */
function covered(a: Vec, b: Vec, { pieces, radius }: Sweep, extra: Span): [number, number][] {
  const around = growBox(boxOfPoints([a, b]), Math.max(...extra));
  const spans = pieces
    .filter((piece) => boxesMeet(piece.box, around))
    .map(({ from, to }) => within(a, b, from, to, [radius + extra[0], radius + extra[1]]))
    .filter((span) => span !== null)
    .sort((p, q) => p[0] - q[0]);
  const out: [number, number][] = [];
  for (const [from, to] of spans) {
    const last = out[out.length - 1];
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else out.push([from, to]);
  }
  return out;
}

/** Halvings until a place is known to a millionth of the segment's millionth. */
const HALVINGS = 44;
/** Differences of reach that do not matter, points. */
const EVEN = 1e-9;

/** Which part of `a`–`b` is nearer to `c`–`d` than a reach that changes evenly from `a` to `b`; null for none. */
function within(a: Vec, b: Vec, c: Vec, d: Vec, [atA, atB]: Span): Span | null {
  const most = withinCapsule(a, b, c, d, Math.max(atA, atB));
  if (!most || Math.abs(atA - atB) < EVEN) return most;
  // A distance from a segment less an even change is convex along the way, so what is within is one part.
  const excess = (u: number): number =>
    nearestOnSegment(lerp(a, b, u), c, d).distance - (atA + (atB - atA) * u);
  const inside = withinCapsule(a, b, c, d, Math.min(atA, atB))?.[0] ?? lowest(excess, most);
  if (excess(inside) >= 0) return null;
  return [edge(excess, inside, most[0]), edge(excess, inside, most[1])];
}

/** Where a convex function is least. */
function lowest(f: (u: number) => number, [from, to]: Span): number {
  let [low, high] = [from, to];
  for (let k = 0; k < HALVINGS; k++) {
    const third = (high - low) / 3;
    if (f(low + third) < f(high - third)) high -= third;
    else low += third;
  }
  return (low + high) / 2;
}

/** Where between a place inside, where `f` is negative, and `out` it ceases to be so. */
function edge(f: (u: number) => number, inside: number, out: number): number {
  if (f(out) <= 0) return out;
  let [yes, no] = [inside, out];
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (yes + no) / 2;
    if (f(middle) < 0) yes = middle;
    else no = middle;
  }
  return yes;
}

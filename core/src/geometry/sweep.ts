import { type Box, boxOfPoints, growBox } from './box.ts';
import { withinCapsule } from './capsule.ts';
import { nearestOnSegment } from './polyline.ts';
import type { Vec } from './vec.ts';

/** A disc swept along a polyline, as capsules. */
export interface Sweep {
  readonly pieces: readonly { readonly from: Vec; readonly to: Vec; readonly box: Box }[];
  /** Around all of it. */
  readonly box: Box;
  readonly radius: number;
}

/** A disc of `radius` points swept along a line of one point or more. */
export function sweepAlong(line: readonly Vec[], radius: number): Sweep {
  const points = line.length === 1 ? [line[0], line[0]] : line;
  const pieces = points.slice(1).map((to, k) => {
    const from = points[k];
    return { from, to, box: growBox(boxOfPoints([from, to]), radius) };
  });
  return { pieces, box: growBox(boxOfPoints(line), radius), radius };
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
  let wider = extra(0);
  for (let i = 0; i + 1 < line.length; i++) {
    const [before, after] = [wider, extra(i + 1)];
    wider = after;
    // Most of a line lies nowhere near.
    if (isBeyond(line[i], line[i + 1], sweep.box, Math.max(before, after))) continue;
    for (const [from, to] of covered(line[i], line[i + 1], sweep, [before, after])) {
      touched = true;
      if (i + from > start) parts.push([start, i + from]);
      start = i + to;
    }
  }
  if (!touched) return null;
  if (start < line.length - 1) parts.push([start, line.length - 1]);
  return parts;
}

/** Whether a segment, so much widened, misses a box; asked very often, so without an object for each. */
const isBeyond = (a: Vec, b: Vec, box: Box, wider: number): boolean =>
  Math.max(a.x, b.x) + wider < box.minX ||
  Math.min(a.x, b.x) - wider > box.maxX ||
  Math.max(a.y, b.y) + wider < box.minY ||
  Math.min(a.y, b.y) - wider > box.maxY;

type Span = readonly [from: number, to: number];

/** The parts of the segment `a`–`b` under the sweep, in order and not touching each other. */
function covered(a: Vec, b: Vec, { pieces, radius }: Sweep, extra: Span): [number, number][] {
  const wider = Math.max(...extra);
  const spans = pieces
    .filter((piece) => !isBeyond(a, b, piece.box, wider))
    .map(({ from, to }) => withinCapsule(a, b, from, to, radius + extra[0], radius + extra[1]))
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

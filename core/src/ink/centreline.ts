import { simplifiedIndices } from '../geometry/index.ts';
import type { InkSample } from './sample.ts';

/** Longest chord left between two points of the centreline, points. */
const LONGEST_CHORD = 1.2;
/** How far a dropped point may lie from the line that replaces it, points. */
const TOLERANCE = 0.02;
/** The same for pressure, which shows only as width. */
const PRESSURE_WEIGHT = 2;
/** A turn sharper than this between samples is a corner, not a curve, radians (65°). */
const SHARP = (65 * Math.PI) / 180;

/**
 * The line the pen drew: smoothed samples joined by a centripetal Catmull–Rom curve (Yuksel, Schaefer &
 * Keyser 2011: no cusps or loops inside a span), cut into short chords, then thinned to what is needed.
 */
export function centrelineOf(samples: readonly InkSample[]): InkSample[] {
  const points = withoutRepeats(samples);
  if (points.length < 3) return points;
  const dense: InkSample[] = [points[0]];
  for (let i = 0; i + 1 < points.length; i++) spanInto(dense, points, i);
  return thinned(dense);
}

function withoutRepeats(samples: readonly InkSample[]): InkSample[] {
  const out: InkSample[] = [];
  for (const s of samples) {
    const last = out[out.length - 1];
    if (!last || last.x !== s.x || last.y !== s.y) out.push(s);
    // A pen that rests presses on: the point keeps its greatest pressure.
    else if (s.pressure > last.pressure) out[out.length - 1] = { ...last, pressure: s.pressure };
  }
  return out;
}

function isCorner(a: InkSample, b: InkSample, c: InkSample): boolean {
  const ux = b.x - a.x;
  const uy = b.y - a.y;
  const vx = c.x - b.x;
  const vy = c.y - b.y;
  return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) > SHARP;
}

/** Appends the span from point `i` to the next, without its first point. */
function spanInto(out: InkSample[], points: readonly InkSample[], i: number): void {
  const b = points[i];
  const c = points[i + 1];
  const chord = Math.hypot(c.x - b.x, c.y - b.y);
  const pieces = Math.min(64, Math.ceil(chord / LONGEST_CHORD));
  if (pieces > 1) {
    const before = i > 0 && !isCorner(points[i - 1], b, c) ? points[i - 1] : mirrored(c, b);
    const after =
      i + 2 < points.length && !isCorner(b, c, points[i + 2]) ? points[i + 2] : mirrored(b, c);
    for (let k = 1; k < pieces; k++) out.push(onSpan(before, b, c, after, k / pieces));
  }
  out.push(c);
}

const mirrored = (of: InkSample, about: InkSample): InkSample => ({
  ...of,
  x: 2 * about.x - of.x,
  y: 2 * about.y - of.y,
});

/** Barry & Goldman's pyramid for the centripetal curve from `b` (u = 0) to `c` (u = 1). */
function onSpan(a: InkSample, b: InkSample, c: InkSample, d: InkSample, u: number): InkSample {
  const knot = (p: InkSample, q: InkSample): number =>
    Math.max(1e-6, Math.sqrt(Math.hypot(q.x - p.x, q.y - p.y)));
  const t1 = knot(a, b);
  const t2 = t1 + knot(b, c);
  const t3 = t2 + knot(c, d);
  const t = t1 + (t2 - t1) * u;
  const at = (pa: number, pb: number, pc: number, pd: number): number => {
    const a1 = pa + ((pb - pa) * t) / t1;
    const a2 = pb + ((pc - pb) * (t - t1)) / (t2 - t1);
    const a3 = pc + ((pd - pc) * (t - t2)) / (t3 - t2);
    const b1 = a1 + ((a2 - a1) * t) / t2;
    const b2 = a2 + ((a3 - a2) * (t - t1)) / (t3 - t1);
    return b1 + ((b2 - b1) * (t - t1)) / (t2 - t1);
  };
  return {
    ...b,
    x: at(a.x, b.x, c.x, d.x),
    y: at(a.y, b.y, c.y, d.y),
    t: b.t + (c.t - b.t) * u,
    pressure: b.pressure + (c.pressure - b.pressure) * u,
  };
}

function thinned(points: readonly InkSample[]): InkSample[] {
  const keep = simplifiedIndices(points.length, TOLERANCE, (i, ia, ib) => {
    const p = points[i];
    const a = points[ia];
    const b = points[ib];
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const l2 = dx * dx + dy * dy;
    const t = l2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / l2));
    const off = Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
    const press = Math.abs(p.pressure - a.pressure - t * (b.pressure - a.pressure));
    return Math.max(off, press * PRESSURE_WEIGHT * TOLERANCE * 10);
  });
  return keep.map((i) => points[i]);
}

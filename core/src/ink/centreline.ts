import { simplifiedIndices } from '../geometry/index.ts';
import type { InkSample } from './sample.ts';

/** How far a dropped point may lie from the line that replaces it, points. */
const TOLERANCE = 0.03;
/** How far chords may lie from the curve they stand for, points. */
const FLATNESS = 0.02;
/** A change of pressure that counts as much as {@link TOLERANCE}: it shows only as width. */
const PRESSURE_STEP = 0.05;
/** A turn sharper than this between samples is a corner, not a curve (65°). */
const SHARP = Math.cos((65 * Math.PI) / 180);
const MOST_PIECES = 64;

/**
 * The line the pen drew: smoothed samples joined by a centripetal Catmull–Rom curve (Yuksel, Schaefer &
 * Keyser 2011: no cusps or loops inside a span), cut into chords, then thinned to what is needed
 * (`thin` false leaves that out: ink under the pen is drawn once and thrown away).
 */
export function centrelineOf(samples: readonly InkSample[], thin = true): InkSample[] {
  const points = withoutRepeats(samples);
  if (points.length < 3) return points;
  const dense: InkSample[] = [points[0]];
  for (let i = 0; i + 1 < points.length; i++) spanInto(dense, points, i);
  return thin ? thinned(dense) : dense;
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

/** Math.hypot guards against overflow, which cannot happen on a page, and is far slower. */
const reach = (dx: number, dy: number): number => Math.sqrt(dx * dx + dy * dy);

function isCorner(a: InkSample, b: InkSample, c: InkSample): boolean {
  const ux = b.x - a.x;
  const uy = b.y - a.y;
  const vx = c.x - b.x;
  const vy = c.y - b.y;
  return ux * vx + uy * vy < SHARP * reach(ux, uy) * reach(vx, vy);
}

/** Appends the span from point `i` to the next, without its first point. */
function spanInto(out: InkSample[], points: readonly InkSample[], i: number): void {
  const b = points[i];
  const c = points[i + 1];
  const before = i > 0 && !isCorner(points[i - 1], b, c) ? points[i - 1] : null;
  const after = i + 2 < points.length && !isCorner(b, c, points[i + 2]) ? points[i + 2] : null;
  const p = control(before, b, c);
  const q = control(after, c, b);
  const pieces = piecesFor(b, p, q, c);
  for (let k = 1; k < pieces; k++) {
    const u = k / pieces;
    const v = 1 - u;
    const w0 = v * v * v;
    const w1 = 3 * v * v * u;
    const w2 = 3 * v * u * u;
    const w3 = u * u * u;
    const x = w0 * b.x + w1 * p.x + w2 * q.x + w3 * c.x;
    const y = w0 * b.y + w1 * p.y + w2 * q.y + w3 * c.y;
    const t = b.t + (c.t - b.t) * u;
    const pressure = b.pressure + (c.pressure - b.pressure) * u;
    // A pen's tilt changes slowly: the nearer sample's serves.
    const { tiltX, tiltY } = u < 0.5 ? b : c;
    out.push(tiltX === undefined ? { x, y, t, pressure } : { x, y, t, pressure, tiltX, tiltY });
  }
  out.push(c);
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** The Bézier control next to `b` of the centripetal span from `b` to `c`, with `a` on its other side. */
function control(a: Point | null, b: Point, c: Point): Point {
  if (!a) return { x: b.x + (c.x - b.x) / 3, y: b.y + (c.y - b.y) / 3 };
  const da = reach(b.x - a.x, b.y - a.y);
  const dc = reach(c.x - b.x, c.y - b.y);
  const ra = Math.sqrt(da);
  const rc = Math.sqrt(dc);
  const own = 2 * da + 3 * ra * rc + dc;
  const all = 3 * ra * (ra + rc);
  return { x: (da * c.x - dc * a.x + own * b.x) / all, y: (da * c.y - dc * a.y + own * b.y) / all };
}

/** Into how many chords a cubic must be cut to stay within {@link FLATNESS} (Wang's formula; from memory). */
function piecesFor(b: Point, p: Point, q: Point, c: Point): number {
  const bend = Math.max(
    reach(b.x - 2 * p.x + q.x, b.y - 2 * p.y + q.y),
    reach(p.x - 2 * q.x + c.x, p.y - 2 * q.y + c.y),
  );
  return Math.min(MOST_PIECES, Math.ceil(Math.sqrt((0.75 * bend) / FLATNESS)));
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
    const off = reach(p.x - a.x - t * dx, p.y - a.y - t * dy);
    const press = Math.abs(p.pressure - a.pressure - t * (b.pressure - a.pressure));
    return Math.max(off, (press * TOLERANCE) / PRESSURE_STEP);
  });
  return keep.map((i) => points[i]);
}

import { distance, type Vec } from '../geometry/index.ts';

type Controls = readonly [Vec, Vec, Vec, Vec];

/** How often the points' places on the curve are looked for again. */
const ROUNDS = 16;
/** Until none of them moves more than this. */
const STILL = 1e-4;

/**
 * The cubic Bézier curve through the first and the last point that is nearest to the others: controls by least squares
 * at given parameters, parameters by a Newton step at given controls, in turn (after Schneider, Graphics Gems, 1990;
 * from memory). Null for fewer than four points, or when they do not tell two controls.
 */
export function fitCurve(points: readonly Vec[]): Controls | null {
  if (points.length < 4) return null;
  const u = chordLengths(points);
  let best: Controls | null = null;
  for (let round = 0; round < ROUNDS; round++) {
    const fit = controlsAt(points, u);
    if (!fit) return best;
    best = fit;
    let moved = 0;
    for (let i = 1; i < u.length - 1; i++) {
      const next = nearer(fit, points[i], u[i]);
      moved = Math.max(moved, Math.abs(next - u[i]));
      u[i] = next;
    }
    if (moved < STILL) break;
  }
  return best;
}

function chordLengths(points: readonly Vec[]): number[] {
  const u = [0];
  for (let i = 1; i < points.length; i++) u.push(u[i - 1] + distance(points[i - 1], points[i]));
  const all = u[u.length - 1] || 1;
  return u.map((v) => v / all);
}

function controlsAt(points: readonly Vec[], u: readonly number[]): Controls | null {
  const a = points[0];
  const d = points[points.length - 1];
  let bb = 0;
  let bc = 0;
  let cc = 0;
  let [bX, bY, cX, cY] = [0, 0, 0, 0];
  for (let i = 0; i < points.length; i++) {
    const t = u[i];
    const s = 1 - t;
    const b = 3 * s * s * t;
    const c = 3 * s * t * t;
    const restX = points[i].x - s * s * s * a.x - t * t * t * d.x;
    const restY = points[i].y - s * s * s * a.y - t * t * t * d.y;
    bb += b * b;
    bc += b * c;
    cc += c * c;
    bX += b * restX;
    bY += b * restY;
    cX += c * restX;
    cY += c * restY;
  }
  const det = bb * cc - bc * bc;
  if (Math.abs(det) < 1e-12) return null;
  return [
    a,
    { x: (bX * cc - cX * bc) / det, y: (bY * cc - cY * bc) / det },
    { x: (cX * bb - bX * bc) / det, y: (cY * bb - bY * bc) / det },
    d,
  ];
}

/** The point of the curve at `t`, 0–1. */
export function curveAt([a, b, c, d]: Controls, t: number): Vec {
  const s = 1 - t;
  return {
    x: s * s * s * a.x + 3 * s * s * t * b.x + 3 * s * t * t * c.x + t * t * t * d.x,
    y: s * s * s * a.y + 3 * s * s * t * b.y + 3 * s * t * t * c.y + t * t * t * d.y,
  };
}

/** One Newton step towards the parameter at which the curve is nearest to `p`. */
function nearer([a, b, c, d]: Controls, p: Vec, t: number): number {
  const s = 1 - t;
  const offX = s * s * s * a.x + 3 * s * s * t * b.x + 3 * s * t * t * c.x + t * t * t * d.x - p.x;
  const offY = s * s * s * a.y + 3 * s * s * t * b.y + 3 * s * t * t * c.y + t * t * t * d.y - p.y;
  const [w0, w1, w2] = [3 * s * s, 6 * s * t, 3 * t * t];
  const oneX = w0 * (b.x - a.x) + w1 * (c.x - b.x) + w2 * (d.x - c.x);
  const oneY = w0 * (b.y - a.y) + w1 * (c.y - b.y) + w2 * (d.y - c.y);
  const twoX = 6 * (s * (c.x - 2 * b.x + a.x) + t * (d.x - 2 * c.x + b.x));
  const twoY = 6 * (s * (c.y - 2 * b.y + a.y) + t * (d.y - 2 * c.y + b.y));
  const down = oneX * oneX + oneY * oneY + offX * twoX + offY * twoY;
  if (down <= 0) return t;
  return Math.min(1, Math.max(0, t - (offX * oneX + offY * oneY) / down));
}

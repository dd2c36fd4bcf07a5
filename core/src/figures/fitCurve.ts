import { add, distance, scale, subtract, type Vec } from '../geometry/index.ts';

type Controls = readonly [Vec, Vec, Vec, Vec];

/** How often the points' places on the curve are looked for again. */
const ROUNDS = 16;

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
    for (let i = 1; i < u.length - 1; i++) u[i] = nearer(fit, points[i], u[i]);
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
  let rb: Vec = { x: 0, y: 0 };
  let rc: Vec = { x: 0, y: 0 };
  points.forEach((p, i) => {
    const t = u[i];
    const s = 1 - t;
    const b = 3 * s * s * t;
    const c = 3 * s * t * t;
    const rest = subtract(p, add(scale(a, s * s * s), scale(d, t * t * t)));
    bb += b * b;
    bc += b * c;
    cc += c * c;
    rb = add(rb, scale(rest, b));
    rc = add(rc, scale(rest, c));
  });
  const det = bb * cc - bc * bc;
  if (Math.abs(det) < 1e-12) return null;
  return [
    a,
    scale(subtract(scale(rb, cc), scale(rc, bc)), 1 / det),
    scale(subtract(scale(rc, bb), scale(rb, bc)), 1 / det),
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
function nearer(curve: Controls, p: Vec, t: number): number {
  const [a, b, c, d] = curve;
  const s = 1 - t;
  const at = curveAt(curve, t);
  const one = (k: 'x' | 'y'): number =>
    3 * (s * s * (b[k] - a[k]) + 2 * s * t * (c[k] - b[k]) + t * t * (d[k] - c[k]));
  const two = (k: 'x' | 'y'): number =>
    6 * (s * (c[k] - 2 * b[k] + a[k]) + t * (d[k] - 2 * c[k] + b[k]));
  const off = subtract(at, p);
  const up = off.x * one('x') + off.y * one('y');
  const down = one('x') ** 2 + one('y') ** 2 + off.x * two('x') + off.y * two('y');
  return down <= 0 ? t : Math.min(1, Math.max(0, t - up / down));
}

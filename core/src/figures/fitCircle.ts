import { type Vec, vec } from '../geometry/index.ts';

export interface FittedCircle {
  readonly centre: Vec;
  readonly radius: number;
}

const MOST_STEPS = 30;

/**
 * The circle nearest to the points in Taubin's sense (PAMI 1991), by Newton's method on the characteristic polynomial
 * as Chernov describes it (Circular and Linear Regression, 2010; from memory). Unlike a plain algebraic fit it does not
 * shrink short arcs. Null when the points lie on a line.
 */
export function fitCircle(points: readonly Vec[]): FittedCircle | null {
  const n = points.length;
  if (n < 3) return null;
  let mx = 0;
  let my = 0;
  for (const p of points) {
    mx += p.x / n;
    my += p.y / n;
  }
  let xx = 0;
  let yy = 0;
  let xy = 0;
  let xz = 0;
  let yz = 0;
  let zz = 0;
  for (const p of points) {
    const x = p.x - mx;
    const y = p.y - my;
    const z = x * x + y * y;
    xx += (x * x) / n;
    yy += (y * y) / n;
    xy += (x * y) / n;
    xz += (x * z) / n;
    yz += (y * z) / n;
    zz += (z * z) / n;
  }
  const mz = xx + yy;
  const covariance = xx * yy - xy * xy;
  const varz = zz - mz * mz;
  const a3 = 4 * mz;
  const a2 = -3 * mz * mz - zz;
  const a1 = varz * mz + 4 * covariance * mz - xz * xz - yz * yz;
  const a0 = xz * (xz * yy - yz * xy) + yz * (yz * xx - xz * xy) - varz * covariance;
  let root = 0;
  let value = a0;
  for (let k = 0; k < MOST_STEPS; k++) {
    const slope = a1 + root * (2 * a2 + root * 3 * a3);
    const next = root - value / slope;
    if (next === root || !Number.isFinite(next)) break;
    const there = a0 + next * (a1 + next * (a2 + next * a3));
    if (Math.abs(there) >= Math.abs(value)) break;
    root = next;
    value = there;
  }
  const det = root * root - root * mz + covariance;
  if (Math.abs(det) < 1e-12 * mz * mz) return null;
  const cx = (xz * (yy - root) - yz * xy) / det / 2;
  const cy = (yz * (xx - root) - xz * xy) / det / 2;
  const radius = Math.sqrt(cx * cx + cy * cy + mz);
  return Number.isFinite(radius) ? { centre: vec(cx + mx, cy + my), radius } : null;
}

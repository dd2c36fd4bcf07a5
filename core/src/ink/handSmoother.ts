import { COLUMN, type HandFilter } from './handFilter.ts';
import type { Transition } from './handModel.ts';

/** Told for each sample, from the last backwards, where the hand was and how much a turn there would explain. */
export type Seen = (i: number, x: number, y: number, turn: number) => void;

/**
 * Looks back over the samples from the last to `from`: the smoothing pass of Bryson and Frazier (1963; in the
 * form of Durbin & Koopman, "Time Series Analysis by State Space Methods", §4.4; from memory), which needs no
 * inverse matrix. With the sensor's `noise` (variance, points²) given, each sample also gets the statistic of a
 * sudden change of speed and acceleration there (de Jong & Penzer, "Diagnosing shocks in time series", JASA 93,
 * 1998; from memory): about chi-square with four degrees of freedom where the hand moved smoothly. What `seen` is
 * told as a turn is 0 without it.
 */
export function lookBack(filter: HandFilter, from: number, noise: number | null, seen: Seen): void {
  const rows = filter.data;
  const x = new Float64Array(5);
  const y = new Float64Array(5);
  const n = new Float64Array(15);
  for (let i = filter.count - 1; i >= from; i--) {
    const at = filter.row(i);
    const g = at + COLUMN.gain;
    const p = at + COLUMN.covariance;
    const s = rows[at + COLUMN.variance];
    const way = i + 1 < filter.count ? filter.way(i + 1) : null;
    // One by one: an array to take them from would be made for every sample of every frame.
    const k0 = rows[g];
    const k1 = rows[g + 1];
    const k2 = rows[g + 2];
    const k3 = rows[g + 3];
    const k4 = rows[g + 4];
    if (!way) {
      // Nothing after a jump tells of what was before it.
      x.fill(0);
      y.fill(0);
      n.fill(0);
    } else {
      carryBack(x, way);
      carryBack(y, way);
    }
    const ex =
      rows[at + COLUMN.innovationX] / s -
      (k0 * x[0] + k1 * x[1] + k2 * x[2] + k3 * x[3] + k4 * x[4]);
    const ey =
      rows[at + COLUMN.innovationY] / s -
      (k0 * y[0] + k1 * y[1] + k2 * y[2] + k3 * y[3] + k4 * y[4]);
    x[0] += ex;
    x[3] += ex;
    y[0] += ey;
    y[3] += ey;
    let turn = 0;
    if (noise !== null) {
      informationBefore(n, rows, g, s, way);
      const det = n[5] * n[9] - n[6] * n[6];
      if (i > 0 && det > 0) turn = (surprise(n, x) + surprise(n, y)) / (det * noise);
    }
    let px = rows[at + COLUMN.x];
    let py = rows[at + COLUMN.y];
    for (let k = 0; k < 5; k++) {
      px += rows[p + k] * x[k];
      py += rows[p + k] * y[k];
    }
    seen(i, px, py, turn);
  }
}

/** Carries a smoothing state back over one step. */
function carryBack(r: Float64Array, { dt, half, turnCos, turnSin }: Transition): void {
  r[2] += half * r[0] + dt * r[1];
  r[1] += dt * r[0];
  const c = r[3];
  r[3] = turnCos * c + turnSin * r[4];
  r[4] = turnCos * r[4] - turnSin * c;
}

/** Quadratic form of speed and acceleration over the adjugate of their information. */
const surprise = (n: Float64Array, r: Float64Array): number =>
  n[9] * r[1] * r[1] - 2 * n[6] * r[1] * r[2] + n[5] * r[2] * r[2];

/** Carries the information matrix `n` (upper triangle) back over one step and one sample. */
function informationBefore(
  n: Float64Array,
  rows: Float64Array,
  g: number,
  s: number,
  w: Transition | null,
): void {
  if (w) {
    const { dt, half, turnCos: C, turnSin: S } = w;
    const pv = dt * n[0] + n[1];
    const pa = half * n[0] + dt * n[1] + n[2];
    const vv = dt * n[1] + n[5];
    const va = half * n[1] + dt * n[5] + n[6];
    const aa = half * n[2] + dt * n[6] + n[9];
    const [pc, ps] = [n[3], n[4]];
    const [vc, vs] = [dt * n[3] + n[7], dt * n[4] + n[8]];
    const ac = half * n[3] + dt * n[7] + n[10];
    const as = half * n[4] + dt * n[8] + n[11];
    const [cc, cs, ss] = [n[12], n[13], n[14]];
    n[9] = half * pa + dt * va + aa;
    n[6] = dt * pa + va;
    n[5] = dt * pv + vv;
    n[2] = pa;
    n[1] = pv;
    n[3] = C * pc + S * ps;
    n[4] = C * ps - S * pc;
    n[7] = C * vc + S * vs;
    n[8] = C * vs - S * vc;
    n[10] = C * ac + S * as;
    n[11] = C * as - S * ac;
    n[12] = C * C * cc + 2 * C * S * cs + S * S * ss;
    n[13] = C * S * (ss - cc) + (C * C - S * S) * cs;
    n[14] = S * S * cc - 2 * C * S * cs + C * C * ss;
  }
  const [k0, k1, k2, k3, k4] = [rows[g], rows[g + 1], rows[g + 2], rows[g + 3], rows[g + 4]];
  const m0 = n[0] * k0 + n[1] * k1 + n[2] * k2 + n[3] * k3 + n[4] * k4;
  const m1 = n[1] * k0 + n[5] * k1 + n[6] * k2 + n[7] * k3 + n[8] * k4;
  const m2 = n[2] * k0 + n[6] * k1 + n[9] * k2 + n[10] * k3 + n[11] * k4;
  const m3 = n[3] * k0 + n[7] * k1 + n[10] * k2 + n[12] * k3 + n[13] * k4;
  const m4 = n[4] * k0 + n[8] * k1 + n[11] * k2 + n[13] * k3 + n[14] * k4;
  const whole = k0 * m0 + k1 * m1 + k2 * m2 + k3 * m3 + k4 * m4 + 1 / s;
  // H has a one at place and at tremor: both rows and columns lose m, and their crossings gain `whole`.
  n[0] += whole - 2 * m0;
  n[1] -= m1;
  n[2] -= m2;
  n[3] += whole - m0 - m3;
  n[4] -= m4;
  n[7] -= m1;
  n[10] -= m2;
  n[12] += whole - 2 * m3;
  n[13] -= m4;
}

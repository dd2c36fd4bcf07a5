import { createTransitions, type HandModel, type Transition } from './handModel.ts';

/**
 * Columns of the row kept of a sample: the state predicted for it (place, speed, acceleration, tremor and its
 * quadrature; x, then y), its covariance (upper triangle by rows), the innovations, their variance, the gain.
 */
export const COLUMN = {
  x: 0,
  y: 5,
  covariance: 10,
  innovationX: 25,
  innovationY: 26,
  variance: 27,
  gain: 28,
} as const;
const ROW = 33;

/** Variances at the first touch: any speed and any acceleration of a hand. */
const ANY_SPEED = 1.6e7;
const ANY_ACCELERATION = 6.4e9;
/** Added by a sudden turn: a change of speed by some 100 points a second. */
const TURN_SPEED = 1e6;
const TURN_ACCELERATION = 1e6;
/** No sensor is worse than half a point; what a model leaves beyond that is not noise, but writing it does not explain. */
const MOST_NOISE = 0.25;
/** Keeps the logarithm finite for strokes without any noise, points². */
const LEAST_NOISE = 1e-6;
/** Variances, none below 1, are multiplied up to here before their logarithm is taken, which is slow. */
const FOLD = 1e250;

/**
 * The Kalman filter of {@link HandModel}: what the samples so far tell of the hand. A step costs the same
 * however long the stroke; only the last `memory` samples can be looked back on.
 */
export class HandFilter {
  /** Samples taken in so far. */
  count = 0;
  private readonly rows: Float64Array;
  private readonly ways: (Transition | null)[];
  private readonly over: (ms: number) => Transition;
  private readonly mask: number;
  /** State and covariance after the last sample. */
  private readonly x = new Float64Array(5);
  private readonly y = new Float64Array(5);
  private readonly p = new Float64Array(15);
  /** The logarithm of the innovations' variances, but for those still multiplied together. */
  private logVariances = 0;
  private product = 1;
  private squares = 0;

  constructor(
    readonly model: HandModel,
    /** How many samples are remembered; rounded up to a power of two. */
    memory: number,
  ) {
    const size = 2 ** Math.ceil(Math.log2(Math.max(2, memory)));
    this.mask = size - 1;
    this.rows = new Float64Array(size * ROW);
    this.ways = new Array<Transition | null>(size).fill(null);
    this.over = createTransitions(model);
  }

  /** Where the row of sample `i` begins in {@link data}. */
  row(i: number): number {
    return (i & this.mask) * ROW;
  }

  get data(): Float64Array {
    return this.rows;
  }

  /** The step from sample `i − 1` to `i`; null at the first and at a jump. */
  way(i: number): Transition | null {
    return this.ways[i & this.mask];
  }

  /** Variance of the sensor's noise that makes the samples so far likeliest, points². */
  noise(): number {
    return this.squares / Math.max(1, 2 * this.count);
  }

  /** Twice the negative logarithm of the likelihood, its scale left to the data, up to a constant. */
  misfit(): number {
    const n = Math.max(1, this.count);
    const noise = this.squares / (2 * n) + LEAST_NOISE;
    const logs = 2 * (this.logVariances + Math.log(this.product));
    if (noise <= MOST_NOISE) return logs + 2 * n * Math.log(noise);
    return logs + 2 * n * (Math.log(MOST_NOISE) + noise / MOST_NOISE - 1);
  }

  /** How far the tremor was swinging at sample `i`, as far as the samples before told, points. */
  tremorAt(i: number): number {
    const at = this.row(i);
    const [xc, xs] = [this.rows[at + COLUMN.x + 3], this.rows[at + COLUMN.x + 4]];
    const [yc, ys] = [this.rows[at + COLUMN.y + 3], this.rows[at + COLUMN.y + 4]];
    return Math.sqrt((xc * xc + xs * xs + yc * yc + ys * ys) / 2);
  }

  /**
   * Takes in a sample, `ms` after the one before; a `turn` lets the hand start off anew from it, a `jump` forgets
   * where it was.
   */
  step(x: number, y: number, ms: number, turn: boolean, jump = false): void {
    const i = this.count++;
    const way = i === 0 || jump ? null : this.over(ms);
    this.ways[i & this.mask] = way;
    if (!way) this.begin(x, y);
    else this.predict(way);
    if (turn && way) {
      this.p[5] += TURN_SPEED;
      this.p[9] += TURN_ACCELERATION;
    }
    this.correct(x, y, this.row(i));
  }

  private begin(x: number, y: number): void {
    const { p, model } = this;
    p.fill(0);
    this.x.fill(0);
    this.y.fill(0);
    this.x[0] = x;
    this.y[0] = y;
    p[0] = 1;
    p[5] = ANY_SPEED;
    p[9] = ANY_ACCELERATION;
    p[12] = p[14] = model.tremor;
  }

  private predict(w: Transition): void {
    const { p } = this;
    moveOn(this.x, w);
    moveOn(this.y, w);
    const { dt, half, turnCos: C, turnSin: S } = w;
    const pv = p[1] + dt * p[5] + half * p[6];
    const pa = p[2] + dt * p[6] + half * p[9];
    const va = p[6] + dt * p[9];
    const pc = p[3] + dt * p[7] + half * p[10];
    const ps = p[4] + dt * p[8] + half * p[11];
    const vc = p[7] + dt * p[10];
    const vs = p[8] + dt * p[11];
    const ac = p[10];
    const as = p[11];
    const cc = p[12];
    const cs = p[13];
    const ss = p[14];
    p[0] = p[0] + dt * p[1] + half * p[2] + dt * pv + half * pa + w.qpp;
    p[1] = pv + dt * pa + w.qpv;
    p[2] = pa + w.qpa;
    p[3] = C * pc - S * ps;
    p[4] = S * pc + C * ps;
    p[5] = p[5] + dt * p[6] + dt * va + w.qvv;
    p[6] = va + w.qva;
    p[7] = C * vc - S * vs;
    p[8] = S * vc + C * vs;
    p[9] += w.qaa;
    p[10] = C * ac - S * as;
    p[11] = S * ac + C * as;
    p[12] = C * C * cc - 2 * C * S * cs + S * S * ss + w.qt;
    p[13] = C * S * (cc - ss) + (C * C - S * S) * cs;
    p[14] = S * S * cc + 2 * C * S * cs + C * C * ss + w.qt;
  }

  private correct(ox: number, oy: number, at: number): void {
    const { rows, x, y, p } = this;
    for (let k = 0; k < 5; k++) {
      rows[at + COLUMN.x + k] = x[k];
      rows[at + COLUMN.y + k] = y[k];
    }
    for (let k = 0; k < 15; k++) rows[at + COLUMN.covariance + k] = p[k];
    const m0 = p[0] + p[3];
    const m1 = p[1] + p[7];
    const m2 = p[2] + p[10];
    const m3 = p[3] + p[12];
    const m4 = p[4] + p[13];
    const s = m0 + m3 + 1;
    const vx = ox - x[0] - x[3];
    const vy = oy - y[0] - y[3];
    const k0 = m0 / s;
    const k1 = m1 / s;
    const k2 = m2 / s;
    const k3 = m3 / s;
    const k4 = m4 / s;
    rows[at + COLUMN.innovationX] = vx;
    rows[at + COLUMN.innovationY] = vy;
    rows[at + COLUMN.variance] = s;
    rows[at + COLUMN.gain + 0] = k0;
    rows[at + COLUMN.gain + 1] = k1;
    rows[at + COLUMN.gain + 2] = k2;
    rows[at + COLUMN.gain + 3] = k3;
    rows[at + COLUMN.gain + 4] = k4;
    this.product *= s;
    if (this.product > FOLD) {
      this.logVariances += Math.log(this.product);
      this.product = 1;
    }
    this.squares += (vx * vx + vy * vy) / s;
    x[0] += k0 * vx;
    x[1] += k1 * vx;
    x[2] += k2 * vx;
    x[3] += k3 * vx;
    x[4] += k4 * vx;
    y[0] += k0 * vy;
    y[1] += k1 * vy;
    y[2] += k2 * vy;
    y[3] += k3 * vy;
    y[4] += k4 * vy;
    p[0] -= k0 * m0;
    p[1] -= k0 * m1;
    p[2] -= k0 * m2;
    p[3] -= k0 * m3;
    p[4] -= k0 * m4;
    p[5] -= k1 * m1;
    p[6] -= k1 * m2;
    p[7] -= k1 * m3;
    p[8] -= k1 * m4;
    p[9] -= k2 * m2;
    p[10] -= k2 * m3;
    p[11] -= k2 * m4;
    p[12] -= k3 * m3;
    p[13] -= k3 * m4;
    p[14] -= k4 * m4;
  }
}

function moveOn(s: Float64Array, w: Transition): void {
  s[0] += w.dt * s[1] + w.half * s[2];
  s[1] += w.dt * s[2];
  const c = s[3];
  s[3] = w.turnCos * c - w.turnSin * s[4];
  s[4] = w.turnSin * c + w.turnCos * s[4];
}

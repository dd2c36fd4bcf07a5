import type { Vec } from '../src/geometry/index.ts';
import type { InkSample } from '../src/ink/index.ts';
import { seededRandom } from './seededRandom.ts';

export interface Hand {
  readonly seed: number;
  /** Samples a second. */
  readonly rate: number;
  /** Points a second along the path, before slowing down in bends. */
  readonly speed: number;
  /** Sensor noise, points rms. */
  readonly noise: number;
  /** Tremor, points rms, and its frequency, Hz. */
  readonly tremor: number;
  readonly tremorHz: number;
}

export const STEADY: Hand = {
  seed: 1,
  rate: 120,
  speed: 160,
  noise: 0.12,
  tremor: 0,
  tremorHz: 9,
};

/** Two normally distributed numbers (Box & Muller). */
function normalPair(random: () => number): Vec {
  const r = Math.sqrt(-2 * Math.log(1 - random()));
  const a = 2 * Math.PI * random();
  return { x: r * Math.cos(a), y: r * Math.sin(a) };
}

/**
 * Samples of a hand that follows `path` (densely spaced points), slower where the path bends (two-thirds
 * power law, Lacquaniti, Terzuolo & Viviani 1983; from memory), with tremor and sensor noise added.
 */
export function writeAlong(path: readonly Vec[], hand: Partial<Hand> = {}): InkSample[] {
  const { seed, rate, speed, noise, tremor, tremorHz } = { ...STEADY, ...hand };
  const random = seededRandom(seed);
  const phase = [random(), random()].map((p) => p * 2 * Math.PI);
  const samples: InkSample[] = [];
  let t = 0;
  let due = 0;
  const put = (p: Vec): void => {
    const n = normalPair(random);
    const shake = (k: number): number =>
      Math.SQRT2 * tremor * Math.sin((2 * Math.PI * tremorHz * t) / 1000 + phase[k]);
    samples.push({
      x: p.x + noise * n.x + shake(0),
      y: p.y + noise * n.y + shake(1),
      t,
      pressure: 0.5 + 0.2 * Math.sin(t / 300),
    });
    due += 1000 / rate;
  };
  put(path[0]);
  for (let i = 1; i < path.length; i++) {
    const a = path[i - 1];
    const b = path[i];
    const c = path[Math.min(path.length - 1, i + 1)];
    const step = Math.hypot(b.x - a.x, b.y - a.y);
    if (step === 0) continue;
    const turn = Math.abs(
      Math.atan2(
        (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x),
        (b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y),
      ),
    );
    const v = speed / (1 + 4 * Math.cbrt(turn / step));
    t += (1000 * step) / v;
    if (t >= due) put(b);
  }
  put(path[path.length - 1]);
  return samples;
}

const dense = (at: (u: number) => Vec, count = 600): Vec[] =>
  Array.from({ length: count + 1 }, (_, i) => at(i / count));

/** Points about half a point apart along straight sides. */
export function alongCorners(corners: readonly Vec[]): Vec[] {
  const out: Vec[] = [corners[0]];
  for (let i = 1; i < corners.length; i++) {
    const a = corners[i - 1];
    const b = corners[i];
    const n = Math.max(1, Math.ceil(2 * Math.hypot(b.x - a.x, b.y - a.y)));
    for (let k = 1; k <= n; k++)
      out.push({ x: a.x + ((b.x - a.x) * k) / n, y: a.y + ((b.y - a.y) * k) / n });
  }
  return out;
}

export const ellipsePath = (
  centre: Vec,
  rx: number,
  ry: number,
  angle = 0,
  turns = 1,
  start = 0.3,
): Vec[] =>
  dense((u) => {
    const a = start + 2 * Math.PI * turns * u;
    const p = { x: rx * Math.cos(a), y: ry * Math.sin(a) };
    return {
      x: centre.x + p.x * Math.cos(angle) - p.y * Math.sin(angle),
      y: centre.y + p.x * Math.sin(angle) + p.y * Math.cos(angle),
    };
  });

export const wavePath = (from: Vec, length: number, height: number, waves: number): Vec[] =>
  dense((u) => ({
    x: from.x + length * u,
    y: from.y + height * Math.sin(2 * Math.PI * waves * u),
  }));

/** Root-mean-square distance of `points` from a densely drawn path. */
export function rmsFrom(points: readonly Vec[], path: readonly Vec[]): number {
  let sum = 0;
  for (const p of points) {
    let best = Infinity;
    for (const q of path) best = Math.min(best, (p.x - q.x) ** 2 + (p.y - q.y) ** 2);
    sum += best;
  }
  return Math.sqrt(sum / points.length);
}

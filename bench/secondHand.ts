import type { Vec } from '@marginalis/core/geometry';
import type { InkSample } from '@marginalis/core/ink';
import { seededRandom } from '../core/testing/seededRandom';

/** How a second, different hand writes: see `docs/benchmarks.md`. */
export interface SecondHand {
  readonly seed: number;
  /** Samples a second. */
  readonly rate: number;
  /** Sensor noise and tremor, points rms along each axis. */
  readonly noise: number;
  readonly tremor: number;
}

/** Mean speed, points a second, and the shortest time between two stops, s. */
const SPEED = 100;
const SHORTEST = 0.12;
/** The tremor's band, Hz, and how many oscillations it is made of. */
const BAND = [8, 11] as const;
const OSCILLATIONS = 6;
/** How unevenly the samples come, in shares of the time between two. */
const JITTER = 0.3;

/**
 * Samples of a hand that stops at every corner and moves between stops with minimum jerk
 * (10τ³ − 15τ⁴ + 6τ⁵: Flash & Hogan 1985; from memory), with a tremor of many frequencies and uneven times.
 */
export function writeWithStops(
  path: readonly Vec[],
  corners: readonly Vec[],
  { seed, rate, noise, tremor }: SecondHand,
): InkSample[] {
  const random = seededRandom(seed);
  const normal = (): number =>
    Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const along = [0];
  for (let i = 1; i < path.length; i++)
    along.push(along[i - 1] + Math.hypot(path[i].x - path[i - 1].x, path[i].y - path[i - 1].y));
  const stops = [0, ...corners.map((c) => along[nearestTo(path, c)]), along[along.length - 1]];
  const legs: { from: number; to: number; start: number; time: number }[] = [];
  let end = 0;
  for (let k = 1; k < stops.length; k++) {
    const time = Math.max(SHORTEST, (stops[k] - stops[k - 1]) / SPEED);
    legs.push({ from: stops[k - 1], to: stops[k], start: end, time });
    end += time;
  }
  const place = (t: number): Vec => {
    const leg = legs.find((l) => t <= l.start + l.time) ?? legs[legs.length - 1];
    const u = Math.min(1, (t - leg.start) / leg.time);
    const s = leg.from + (leg.to - leg.from) * (10 * u ** 3 - 15 * u ** 4 + 6 * u ** 5);
    let i = along.findIndex((a) => a >= s);
    if (i < 1) i = i < 0 ? along.length - 1 : 1;
    const v = (s - along[i - 1]) / Math.max(1e-9, along[i] - along[i - 1]);
    return {
      x: path[i - 1].x + (path[i].x - path[i - 1].x) * v,
      y: path[i - 1].y + (path[i].y - path[i - 1].y) * v,
    };
  };
  const shakes = [0, 1].map(() =>
    Array.from({ length: OSCILLATIONS }, () => ({
      hz: BAND[0] + (BAND[1] - BAND[0]) * random(),
      phase: 2 * Math.PI * random(),
      size: 0.5 + random(),
    })),
  );
  const shake = (axis: number, t: number): number => {
    const all = shakes[axis];
    const rms = Math.sqrt(all.reduce((sum, o) => sum + (o.size * o.size) / 2, 0));
    const now = all.reduce((s, o) => s + o.size * Math.sin(2 * Math.PI * o.hz * t + o.phase), 0);
    return (tremor * now) / rms;
  };
  const samples: InkSample[] = [];
  for (let beat = 0; ; beat += 1 / rate) {
    const last = beat >= end;
    const uneven = samples.length > 0 && !last ? (JITTER * (random() - 0.5)) / rate : 0;
    const t = Math.min(end, beat + uneven);
    const p = place(t);
    samples.push({
      x: p.x + noise * normal() + shake(0, t),
      y: p.y + noise * normal() + shake(1, t),
      t: 1000 * t,
      pressure: 0.5,
    });
    if (last) return samples;
  }
}

function nearestTo(path: readonly Vec[], p: Vec): number {
  let best = 0;
  path.forEach((q, i) => {
    if (Math.hypot(q.x - p.x, q.y - p.y) < Math.hypot(path[best].x - p.x, path[best].y - p.y))
      best = i;
  });
  return best;
}

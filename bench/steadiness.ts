import { distanceToPolyline } from '../core/testing/shapes';
import { createLiveInk, type InkSample, smoothInk } from '@marginalis/core/ink';
import { type Vec } from '@marginalis/core/geometry';
import { alongCorners, ellipsePath, type Hand, wavePath, writeAlong } from '../core/testing/hand';
import { writeWithStops } from './secondHand';
import { oneEuro } from './reference/oneEuro';
import { gaussian } from './reference/gaussian';

/** How near smoothing comes to the path the hand meant, beside published methods; figures in points. */

const DEFAULT_STEADINESS = 40;
const SEEDS = [101, 102, 103];
const RATES = [60, 120, 240];

interface Drawing {
  readonly path: readonly Vec[];
  /** Places where the hand turned sharply. */
  readonly corners: readonly Vec[];
}

const zigzag = [0, 1, 2, 3, 4, 5].map((i) => ({ x: 60 + 34 * i, y: i % 2 === 0 ? 300 : 352 }));
const DRAWINGS: Record<string, Drawing> = {
  curve: { path: wavePath({ x: 60, y: 300 }, 260, 18, 2.5), corners: [] },
  writing: { path: wavePath({ x: 60, y: 300 }, 160, 5, 9), corners: [] },
  loops: { path: loops(), corners: [] },
  circle: { path: ellipsePath({ x: 200, y: 300 }, 45, 45), corners: [] },
  line: {
    path: alongCorners([
      { x: 60, y: 300 },
      { x: 280, y: 340 },
    ]),
    corners: [],
  },
  zigzag: { path: alongCorners(zigzag), corners: zigzag.slice(1, -1) },
};

function loops(): Vec[] {
  return Array.from({ length: 900 }, (_, i) => {
    const a = (2 * Math.PI * 5 * i) / 900;
    return { x: 60 + 0.2 * i + 9 * Math.sin(a), y: 300 + 12 * Math.cos(a) };
  });
}

const HANDS: Record<string, Partial<Hand>> = {
  steady: { noise: 0.12 },
  'tremor 0.35 pt': { noise: 0.12, tremor: 0.35, tremorHz: 9.5 },
  'tremor 1 pt': { noise: 0.12, tremor: 1, tremorHz: 9.5 },
};

type Method = (samples: readonly InkSample[]) => Vec[];
const METHODS: Record<string, Method> = {
  raw: (s) => [...s],
  '1 € filter, authors’ defaults': (s) => oneEuro(s, { minCutoff: 1, beta: 0 }),
  '1 € filter, tuned': (s) => oneEuro(s, { minCutoff: 3, beta: 0.05 }),
  'Gaussian 15 ms': (s) => gaussian(s, 15),
  'Gaussian 30 ms': (s) => gaussian(s, 30),
  'ours, default steadiness': (s) => smoothInk(s, DEFAULT_STEADINESS),
  'ours, steadiness 100': (s) => smoothInk(s, 100),
};

interface Figures {
  rms: number;
  corner: number;
  end: number;
  roughness: number;
  count: number;
}

const nearest = (p: Vec, points: readonly Vec[]): number =>
  points.reduce((best, q) => Math.min(best, Math.hypot(p.x - q.x, p.y - q.y)), Infinity);

/** Mean turn between neighbouring pieces, radians: what the eye sees as ragged. */
function roughness(points: readonly Vec[]): number {
  let sum = 0;
  let count = 0;
  for (let i = 2; i < points.length; i++) {
    const [a, b, c] = [points[i - 2], points[i - 1], points[i]];
    const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, c.x - b.x, c.y - b.y];
    if ((ux === 0 && uy === 0) || (vx === 0 && vy === 0)) continue;
    sum += Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy));
    count++;
  }
  return count === 0 ? 0 : sum / count;
}

/** Two ways of writing along the same path. */
type Writing = (drawing: Drawing, hand: Partial<Hand>, rate: number, seed: number) => InkSample[];
const WRITINGS: Record<string, Writing> = {
  'two-thirds law, tremor of 9.5 Hz': ({ path }, hand, rate, seed) =>
    writeAlong(path, { ...hand, rate, seed }),
  'stops at corners, minimum jerk, tremor of 8–11 Hz': ({ path, corners }, hand, rate, seed) =>
    writeWithStops(path, corners, {
      seed,
      rate,
      noise: hand.noise ?? 0,
      tremor: hand.tremor ?? 0,
    }),
};

function measure(
  method: Method,
  write: Writing,
  hand: Partial<Hand>,
  drawings: readonly Drawing[],
): Figures {
  const f: Figures = { rms: 0, corner: 0, end: 0, roughness: 0, count: 0 };
  let corners = 0;
  for (const drawing of drawings)
    for (const rate of RATES)
      for (const seed of SEEDS) {
        const { path, corners: turns } = drawing;
        const samples = write(drawing, hand, rate, seed);
        const out = method(samples);
        f.rms += Math.sqrt(
          out.reduce((s, p) => s + distanceToPolyline(p, path) ** 2, 0) / out.length,
        );
        f.end += nearest(path[0], out) + nearest(path[path.length - 1], out);
        f.roughness += roughness(out);
        for (const c of turns) {
          f.corner += distanceToPolyline(c, out);
          corners++;
        }
        f.count++;
      }
  return {
    rms: f.rms / f.count,
    corner: corners === 0 ? 0 : f.corner / corners,
    end: f.end / (2 * f.count),
    roughness: f.roughness / f.count,
    count: f.count,
  };
}

/** Mean distance from the drawn line's last settled place to the pen, while writing. */
function liveLag(steadiness: number): number {
  let sum = 0;
  let count = 0;
  for (const { path } of Object.values(DRAWINGS)) {
    const live = createLiveInk(steadiness);
    for (const s of writeAlong(path, { rate: 120, seed: 7 })) {
      live.push(s);
      const shown = live.points().at(-1) as InkSample;
      sum += Math.hypot(shown.x - s.x, shown.y - s.y);
      count++;
    }
  }
  return sum / count;
}

/** How far what has settled under the pen lies from the finished ink, points: the mean, and 95 of 100. */
function joint(hand: Partial<Hand>): string {
  const off: number[] = [];
  for (const { path } of Object.values(DRAWINGS))
    for (const rate of RATES)
      for (const seed of SEEDS) {
        const samples = writeAlong(path, { ...hand, rate, seed });
        const live = createLiveInk(DEFAULT_STEADINESS);
        for (const s of samples) live.push(s);
        const finished = smoothInk(samples, DEFAULT_STEADINESS);
        for (const p of live.settledFrom(0)) off.push(distanceToPolyline(p, finished));
      }
  off.sort((a, b) => a - b);
  const mean = off.reduce((a, b) => a + b, 0) / off.length;
  return `${mean.toFixed(3)} (${off[Math.floor(0.95 * off.length)].toFixed(2)})`;
}

export function steadinessTable(): string {
  const lines: string[] = [];
  const drawings = Object.values(DRAWINGS);
  for (const [writing, write] of Object.entries(WRITINGS)) {
    lines.push(
      `${writing}:`,
      '',
      '| hand | method | rms | corner loss | end loss | roughness |',
      '|---|---|---:|---:|---:|---:|',
    );
    for (const [hand, how] of Object.entries(HANDS))
      for (const [name, method] of Object.entries(METHODS)) {
        const f = measure(method, write, how, drawings);
        lines.push(
          `| ${hand} | ${name} | ${f.rms.toFixed(3)} | ${f.corner.toFixed(2)} | ${f.end.toFixed(2)} | ${f.roughness.toFixed(3)} |`,
        );
      }
    lines.push('');
  }
  lines.push(
    `Live lag at default steadiness: ${liveLag(DEFAULT_STEADINESS).toFixed(2)} pt from the pen to the end of the line.`,
    'From what is settled under the pen to the finished ink, mean (95 of 100 places), pt:',
    Object.entries(HANDS)
      .map(([name, hand]) => `${name} ${joint(hand)}`)
      .join(' · '),
  );
  return lines.join('\n');
}

import { curvePoints, type Figure, type FigureKind, figureLines } from '../src/figures/index.ts';
import { degrees, polylineLength, resamplePolyline, type Vec } from '../src/geometry/index.ts';
import type { InkSample } from '../src/ink/index.ts';
import { writeAlong } from './hand.ts';
import { seededRandom } from './seededRandom.ts';

/** A figure and the strokes of a hand that means it. */
export interface DrawnFigure {
  readonly figure: Figure;
  readonly strokes: readonly InkSample[][];
}

/** How unsteadily figures are drawn. */
export interface Unsteady {
  /** Slow straying of the hand, rms along each axis in shares of the figure's size. */
  readonly wobble: number;
  /** Tremor, points rms. */
  readonly tremor: number;
  /** How far ends miss or overshoot each other, in shares of the size. */
  readonly gap: number;
  /** Corners are rounded over this share of the size. */
  readonly rounding: number;
  /** How often a stroke has a hook at an end, 0–1. */
  readonly hooks: number;
}

export const ORDINARY: Unsteady = {
  wobble: 0.008,
  tremor: 0,
  gap: 0.05,
  rounding: 0.03,
  hooks: 0.15,
};
export const STRONG: Unsteady = {
  wobble: 0.015,
  tremor: 0.35,
  gap: 0.1,
  rounding: 0.06,
  hooks: 0.3,
};

/** A figure of the kind with size, turn and proportions from a seed. */
export function idealFigure(kind: FigureKind, random: () => number): Figure {
  const between = (a: number, b: number): number => a + (b - a) * random();
  const centre = { x: between(150, 400), y: between(200, 600) };
  const size = 50 * Math.exp(between(0, Math.log(5)));
  const angle = between(0, 2 * Math.PI);
  const at = (x: number, y: number): Vec => ({
    x: centre.x + size * (x * Math.cos(angle) - y * Math.sin(angle)),
    y: centre.y + size * (x * Math.sin(angle) + y * Math.cos(angle)),
  });
  const sign = random() < 0.5 ? -1 : 1;
  switch (kind) {
    case 'line':
      return { kind, from: at(-0.5, 0), to: at(0.5, 0) };
    case 'arrow':
      return { kind, from: at(-0.5, 0), to: at(0.5, 0), head: size * between(0.16, 0.32) };
    case 'polyline': {
      const count = 3 + Math.floor(3 * random());
      const corners = Array.from({ length: count + 1 }, (_, k) =>
        at(k / count - 0.5, (k % 2 === 0 ? -1 : 1) * between(0.12, 0.35)),
      );
      return { kind, corners };
    }
    case 'arc':
      return {
        kind,
        centre,
        radius: size / 2,
        start: angle,
        sweep: sign * degrees(between(70, 260)),
      };
    case 'curve':
      return {
        kind,
        points: [
          at(-0.5, 0),
          at(-0.2, sign * between(0.25, 0.5)),
          at(0.2, sign * between(-0.4, 0.4)),
          at(0.5, 0),
        ],
        head: size * between(0.14, 0.24),
      };
    case 'circle':
      return { kind, centre, radius: size / 2 };
    case 'ellipse':
      return { kind, centre, rx: size / 2, ry: (size / 2) * between(0.35, 0.72), angle };
    case 'triangle': {
      const tip = (k: number): Vec => {
        const a = degrees(120 * k + between(-22, 22));
        return at(0.55 * Math.cos(a), 0.55 * Math.sin(a));
      };
      return { kind, corners: [tip(0), tip(1), tip(2)] };
    }
    case 'rectangle':
      return { kind, centre, width: size, height: size * between(0.35, 0.75), angle };
    case 'square':
      return { kind, centre, side: size * 0.75, angle };
    case 'diamond':
      return { kind, centre, width: size, height: size * between(0.45, 0.7), angle };
    case 'parallelogram': {
      const [w, h, lean] = [0.45, between(0.16, 0.24), sign * between(0.12, 0.18)];
      return {
        kind,
        corners: [at(-w - lean, -h), at(w - lean, -h), at(w + lean, h), at(-w + lean, h)],
      };
    }
    case 'polygon':
    case 'cloud': {
      const count = 5 + Math.floor(2 * random());
      const corners = Array.from({ length: count }, (_, k) => {
        const a = (2 * Math.PI * (k + between(-0.15, 0.15))) / count;
        const r = 0.5 * between(0.85, 1.1);
        return at(r * Math.cos(a), r * Math.sin(a));
      });
      return { kind, corners };
    }
    case 'star': {
      const outer = size * 0.55;
      return { kind, centre, outer, inner: outer * ((3 - Math.sqrt(5)) / 2), angle, tips: 5 };
    }
    case 'brace':
    case 'bracket':
      return { kind, from: at(-0.5, 0), to: at(0.5, 0), depth: sign * size * between(0.12, 0.24) };
    case 'tick':
      return {
        kind,
        corners: [at(-0.3, between(0, 0.15)), at(-0.08, -0.3), at(0.35, between(0.4, 0.6))],
      };
    case 'cross':
      return {
        kind,
        first: [at(-0.4, -0.4), at(0.4, 0.4)],
        second: [at(-0.4, between(0.3, 0.45)), at(between(0.3, 0.45), -0.4)],
      };
  }
}

/** The paths that a hand draws for a figure, in one stroke or in more. */
function pathsOf(figure: Figure, random: () => number): Vec[][] {
  const lines = figureLines(figure);
  const pick = random();
  switch (figure.kind) {
    case 'arrow': {
      const [shaft, [left, tip, right]] = lines;
      if (pick < 0.4) return [[...shaft, left, tip, right]];
      return pick < 0.75 ? [shaft, [left, tip, right]] : [shaft, [tip, left], [tip, right]];
    }
    case 'curve': {
      const shaft = curvePoints(figure.points);
      const [left, tip, right] = lines[1];
      return pick < 0.4 ? [[...shaft, left, tip, right]] : [shaft, [left, tip, right]];
    }
    case 'star': {
      // Five lines through every second tip, or once around.
      const ring = lines[0].slice(0, -1);
      const tips = ring.filter((_, k) => k % 2 === 0);
      return [pick < 0.6 ? [0, 2, 4, 1, 3, 0].map((k) => tips[k]) : lines[0]];
    }
    case 'square':
    case 'rectangle': {
      const [ring] = lines;
      if (pick < 0.7) return [startedAnew(ring, random)];
      if (pick < 0.85) return [ring.slice(0, 3), ring.slice(2)];
      return [0, 1, 2, 3].map((k) => [ring[k], ring[k + 1]]);
    }
    default:
      return isRing(lines[0]) ? [startedAnew(lines[0], random)] : lines;
  }
}

const isRing = (line: readonly Vec[]): boolean => {
  const [a, b] = [line[0], line[line.length - 1]];
  return a.x === b.x && a.y === b.y;
};

/** The same ring from any of its points on: for few corners from a corner, or from the middle of a side. */
function startedAnew(ring: readonly Vec[], random: () => number): Vec[] {
  const points = ring.slice(0, -1);
  const n = points.length;
  const k = Math.floor(random() * n);
  const turned = [...points.slice(k), ...points.slice(0, k)];
  if (n > 12 || random() < 0.75) return [...turned, turned[0]];
  const middle = { x: (turned[0].x + turned[n - 1].x) / 2, y: (turned[0].y + turned[n - 1].y) / 2 };
  return [middle, ...turned, middle];
}

/** A path as an unsteady hand moves along it. */
function strayed(
  path: readonly Vec[],
  size: number,
  isClosed: boolean,
  hand: Unsteady,
  random: () => number,
): Vec[] {
  const length = polylineLength(path);
  const step = Math.max(0.4, length / 1500);
  let points = resamplePolyline(path, Math.max(8, Math.ceil(length / step)));
  if (isClosed) {
    // Ends that miss each other, or pass each other.
    const over = (2 * random() - 1) * hand.gap * size;
    const count = Math.round(Math.abs(over) / step);
    points =
      over < 0
        ? points.slice(0, points.length - count)
        : [...points, ...points.slice(1, count + 1)];
  }
  const half = Math.round((hand.rounding * size * (0.5 + random())) / step / 2);
  const smooth = points.map((_, i) => {
    const reach = Math.min(half, i, points.length - 1 - i);
    let x = 0;
    let y = 0;
    for (let k = i - reach; k <= i + reach; k++) {
      x += points[k].x;
      y += points[k].y;
    }
    return { x: x / (2 * reach + 1), y: y / (2 * reach + 1) };
  });
  const waves = [1, 2, 3].map(() => ({
    f: 0.5 + 2.5 * random(),
    p: 7 * random(),
    q: 7 * random(),
  }));
  const amount = (hand.wobble * size * Math.SQRT2) / Math.sqrt(3);
  return smooth.map((v, i) => {
    const u = i / smooth.length;
    let dx = 0;
    let dy = 0;
    for (const { f, p, q } of waves) {
      dx += Math.sin(2 * Math.PI * f * u + p);
      dy += Math.sin(2 * Math.PI * f * u + q);
    }
    return { x: v.x + amount * dx, y: v.y + amount * dy };
  });
}

/** A little hook before the beginning of a path. */
function hooked(path: readonly Vec[], random: () => number): Vec[] {
  const [a, b] = [path[0], path[Math.min(path.length - 1, 6)]];
  const back = Math.atan2(b.y - a.y, b.x - a.x) + (random() < 0.5 ? -1 : 1) * degrees(130);
  const long = 1.5 + 2 * random();
  const start = { x: a.x - long * Math.cos(back), y: a.y - long * Math.sin(back) };
  return [start, ...path];
}

/** Figures of every kind with sizes, turns, directions, gaps, overshoots, hooks and several strokes, from a seed. */
export function drawnFigure(
  kind: FigureKind,
  seed: number,
  hand: Unsteady = ORDINARY,
): DrawnFigure {
  const random = seededRandom(seed * 7919 + 31 * kind.length + kind.charCodeAt(0));
  const figure = idealFigure(kind, random);
  const all = figureLines(figure).flat();
  const xs = all.map((p) => p.x);
  const ys = all.map((p) => p.y);
  const size = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
  const rate = [60, 120, 240][Math.floor(3 * random())];
  const speed = 100 + 200 * random();
  let t = 0;
  const strokes = pathsOf(figure, random).map((path, k) => {
    const way = random() < 0.5 ? path : [...path].reverse();
    const own = Math.min(size, 2 * polylineLength(path));
    let line = strayed(way, own, isRing(path), hand, random);
    if (random() < hand.hooks) line = hooked(line, random);
    const samples = writeAlong(line, {
      seed: seed + k,
      rate,
      speed,
      noise: 0.12,
      tremor: hand.tremor,
    });
    const began = t;
    t += samples[samples.length - 1].t + 150 + 200 * random();
    return samples.map((s) => ({ ...s, t: s.t + began }));
  });
  return { figure, strokes };
}

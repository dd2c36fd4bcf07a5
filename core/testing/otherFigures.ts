import { degrees, polylineLength, resamplePolyline, type Vec } from '../src/geometry/index.ts';
import { type Figure, figureLines, READ_KINDS } from '../src/figures/index.ts';
import type { InkSample } from '../src/ink/index.ts';
import type { DrawnFigure } from './drawnFigures.ts';
import { seededRandom } from './seededRandom.ts';

/**
 * A second hand that draws figures, made apart from the first so that reading is not fitted to one of them: corners are
 * rounded by the pen lagging behind, sides bow, the whole drifts and turns while it is drawn, speeds differ by stroke.
 * Its figures go down to 9 mm, and those that are meant as no more regular than they are come near to those that are.
 */
export interface OtherHand {
  /** Sides bow by so much of their length, rms. */
  readonly bow: number;
  /** Low-pass noise across the path, shares of the size, rms. */
  readonly noise: number;
  /** The drawing turns and grows while it goes on: radians and shares, rms. */
  readonly drift: number;
  /** The pen lags by so much of the size. */
  readonly lag: number;
  /** Ends miss each other by so much of the size, rms. */
  readonly miss: number;
}

export const STEADY_OTHER: OtherHand = {
  bow: 0.012,
  noise: 0.006,
  drift: 0.02,
  lag: 0.02,
  miss: 0.02,
};
export const UNSTEADY_OTHER: OtherHand = {
  bow: 0.025,
  noise: 0.014,
  drift: 0.04,
  lag: 0.035,
  miss: 0.045,
};

type Random = () => number;
const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** Kinds that the second hand leaves to the first. */
const LEFT_OUT = ['curve', 'brace', 'bracket', 'tick', 'cross'] as const;
export type OtherKind = Exclude<(typeof READ_KINDS)[number], (typeof LEFT_OUT)[number]>;
export const OTHER_KINDS = READ_KINDS.filter(
  (kind): kind is OtherKind => !(LEFT_OUT as readonly string[]).includes(kind),
);

function meant(kind: OtherKind, random: Random): Figure {
  const between = (a: number, b: number): number => a + (b - a) * random();
  const centre = { x: between(120, 450), y: between(150, 650) };
  const size = Math.exp(between(Math.log(34), Math.log(220)));
  // Most things are drawn upright or lying.
  const angle =
    random() < 0.7
      ? degrees(90 * Math.floor(4 * random()) + 4 * normal(random))
      : between(0, 2 * Math.PI);
  const at = (x: number, y: number): Vec => ({
    x: centre.x + size * (x * Math.cos(angle) - y * Math.sin(angle)),
    y: centre.y + size * (x * Math.sin(angle) + y * Math.cos(angle)),
  });
  const box = (w: number, h: number) => ({ centre, width: size * w, height: size * h, angle });
  switch (kind) {
    case 'line':
      return { kind, from: at(-0.5, 0), to: at(0.5, 0) };
    case 'arrow':
      return { kind, from: at(-0.5, 0), to: at(0.5, 0), head: size * between(0.15, 0.3) };
    case 'polyline': {
      const pick = random();
      // An L, a Z, and a zigzag of four to six legs.
      if (pick < 0.4)
        return {
          kind,
          corners: [
            at(-0.5, 0.5 * between(0.8, 1.2)),
            at(-0.5, -0.5),
            at(0.5 * between(0.2, 1.2), -0.5),
          ],
        };
      if (pick < 0.7) {
        const lean = between(-0.3, 0.3);
        return {
          kind,
          corners: [at(-0.5, 0.4), at(0.5, 0.4), at(-0.5 + lean, -0.4), at(0.5 + lean, -0.4)],
        };
      }
      const legs = 4 + Math.floor(3 * random());
      const corners = Array.from({ length: legs + 1 }, (_, k) =>
        at(k / legs - 0.5, (k % 2 ? 1 : -1) * between(0.15, 0.35)),
      );
      return { kind, corners };
    }
    case 'arc':
      return {
        kind,
        centre,
        radius: size / 2,
        start: angle,
        sweep: (random() < 0.5 ? -1 : 1) * degrees(between(80, 250)),
      };
    case 'circle':
      return { kind, centre, radius: size / 2 };
    case 'ellipse':
      return { kind, centre, rx: size / 2, ry: (size / 2) * between(0.35, 0.8), angle };
    case 'triangle': {
      const tip = (k: number): Vec => {
        const a = degrees(90 + 120 * k) + 0.3 * normal(random);
        return at(0.55 * Math.cos(a), 0.55 * Math.sin(a));
      };
      return { kind, corners: [tip(0), tip(1), tip(2)] };
    }
    case 'rectangle':
      return { kind, ...box(1, between(0.3, 0.8)) };
    case 'square':
      return { kind, centre, side: size * 0.8, angle };
    case 'diamond':
      return { kind, ...box(1, between(0.4, 0.8)) };
    case 'parallelogram': {
      const [w, h] = [0.4, between(0.15, 0.24)];
      const lean = (random() < 0.5 ? -1 : 1) * between(0.12, 0.2);
      return {
        kind,
        corners: [at(-w - lean, -h), at(w - lean, -h), at(w + lean, h), at(-w + lean, h)],
      };
    }
    case 'polygon': {
      const count = 5 + Math.floor(2 * random());
      const corners = Array.from({ length: count }, (_, k) => {
        const a = (2 * Math.PI * k) / count + 0.1 * normal(random);
        return at(0.5 * Math.cos(a) * between(0.9, 1.1), 0.5 * Math.sin(a) * between(0.9, 1.1));
      });
      return { kind, corners };
    }
    case 'star':
      return { kind, centre, outer: size / 2, inner: (size / 2) * 0.382, angle, tips: 5 };
  }
}

/** Sides that bow a little, each its own way. */
function bowed(corners: readonly Vec[], bow: number, random: Random): Vec[] {
  return corners
    .slice(1)
    .flatMap((q, k) => {
      const p = corners[k];
      const out = bow * normal(random);
      return Array.from({ length: 24 }, (_, i) => {
        const u = i / 24;
        const h = 4 * u * (1 - u) * out;
        return {
          x: p.x + (q.x - p.x) * u - (q.y - p.y) * h,
          y: p.y + (q.y - p.y) * u + (q.x - p.x) * h,
        };
      });
    })
    .concat(corners[corners.length - 1]);
}

function drawnAlong(
  path: readonly Vec[],
  size: number,
  hand: OtherHand,
  random: Random,
): InkSample[] {
  const isClosed =
    path.length > 3 &&
    path[0].x === path[path.length - 1].x &&
    path[0].y === path[path.length - 1].y;
  const long = polylineLength(path);
  const isCurved = path.length > 12;
  let points = isCurved ? [...path] : bowed(path, hand.bow, random);
  points = resamplePolyline(points, Math.max(24, Math.round(long / 1.2)));
  if (isClosed) {
    const over = hand.miss * size * normal(random);
    const count = Math.round((Math.abs(over) / long) * points.length);
    points =
      over < 0
        ? points.slice(0, points.length - count)
        : [...points, ...points.slice(1, count + 1)];
  }
  const middle = points.reduce(
    (m, p) => ({ x: m.x + p.x / points.length, y: m.y + p.y / points.length }),
    { x: 0, y: 0 },
  );
  const [turn, grow] = [hand.drift * normal(random), hand.drift * normal(random)];
  const steps = points.length;
  // Noise that changes over about an eighth of the stroke, by a recursion of the first order.
  const keep = Math.exp(-8 / steps);
  let [nx, ny] = [normal(random), normal(random)];
  const spread = Math.sqrt(1 - keep * keep);
  // The pen follows the hand.
  const lag = Math.exp(-long / steps / Math.max(0.1, hand.lag * size));
  let pen = points[0];
  const rate = [75, 120, 200][Math.floor(3 * random())];
  const speed = 90 + 260 * random();
  const samples: InkSample[] = [];
  let [t, due] = [0, 0];
  points.forEach((p, i) => {
    const u = i / steps - 0.5;
    const [c, s] = [Math.cos(turn * u), Math.sin(turn * u)];
    const g = 1 + grow * u;
    const [dx, dy] = [p.x - middle.x, p.y - middle.y];
    nx = keep * nx + spread * normal(random);
    ny = keep * ny + spread * normal(random);
    const to = {
      x: middle.x + g * (dx * c - dy * s) + hand.noise * size * nx,
      y: middle.y + g * (dx * s + dy * c) + hand.noise * size * ny,
    };
    pen =
      i === 0
        ? to
        : { x: pen.x + (to.x - pen.x) * (1 - lag), y: pen.y + (to.y - pen.y) * (1 - lag) };
    const pace = 0.6 + 0.8 * Math.sin(Math.PI * Math.min(1, Math.max(0, i / steps)));
    t += (1000 * (long / steps)) / (speed * pace);
    if (t < due && i < points.length - 1) return;
    due = t + 1000 / rate;
    samples.push({
      x: pen.x + 0.08 * normal(random),
      y: pen.y + 0.08 * normal(random),
      t,
      pressure: 0.5,
    });
  });
  return samples;
}

export function otherFigure(
  kind: OtherKind,
  seed: number,
  hand: OtherHand = STEADY_OTHER,
): DrawnFigure {
  const random = seededRandom(seed * 104_729 + 17 * kind.length + kind.charCodeAt(1));
  const figure = meant(kind, random);
  const lines = figureLines(figure).map((line) => [...line]);
  const xs = lines.flat().map((p) => p.x);
  const ys = lines.flat().map((p) => p.y);
  const size = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
  const paths = kind === 'arrow' && random() < 0.5 ? [[...lines[0], ...lines[1]]] : lines;
  let began = 0;
  const strokes = paths.map((path) => {
    const drawn = drawnAlong(
      random() < 0.5 || kind === 'arrow' ? path : [...path].reverse(),
      size,
      hand,
      random,
    ).map((s) => ({ ...s, t: s.t + began }));
    began = drawn[drawn.length - 1].t + 250;
    return drawn;
  });
  return { figure, strokes };
}

/** A quick zigzag, as one scribbles: eight corners and more; meant as no figure. */
export function scribble(seed: number): InkSample[] {
  const random = seededRandom(seed * 15_485_863);
  const count = 8 + Math.floor(10 * random());
  const size = 30 + 90 * random();
  const long = size * (0.8 + 1.6 * random());
  const tilt = random() < 0.5 ? 0 : (random() - 0.5) * 1.2;
  const corners = Array.from({ length: count }, (_, k): Vec => {
    const along = (long * k) / count + 0.06 * size * normal(random);
    const across = (k % 2 ? 1 : -1) * size * (0.4 + 0.12 * normal(random));
    return {
      x: 200 + along * Math.cos(tilt) - across * Math.sin(tilt),
      y: 300 + along * Math.sin(tilt) + across * Math.cos(tilt),
    };
  });
  return drawnAlong(corners, size, { ...UNSTEADY_OTHER, lag: 0.06 }, random);
}

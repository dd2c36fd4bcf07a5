import {
  add,
  distance,
  dot,
  lerp,
  rotate,
  scale,
  subtract,
  type Vec,
  degrees,
  roundedAngle,
} from '../geometry/index.ts';
import type { Figure, FigureKind } from './figure.ts';
import { landmarksOf } from './landmarks.ts';
import { moveFigure, turnFigure } from './moveFigure.ts';

/** How a figure that was read is made regular. */
export interface SettleManners {
  /** Nearly level, upright and 45° lines become so, nearly equal legs equal. */
  readonly upright: boolean;
  /** Ends and corners near other figures' ends, corners and middles meet them. */
  readonly meet: boolean;
}

/** A figure made regular, and the places where it meets others. */
export interface Settled {
  readonly figure: Figure;
  readonly meets: readonly Vec[];
}

/** Lines nearer to a multiple of 45° than this are put there. */
const LINE_TOLERANCE = degrees(4);
/** Boxes nearer to standing upright than this stand upright. */
const BOX_TOLERANCE = degrees(6);
/** Legs of a triangle that differ by less than this share are equal. */
const EVEN_LEGS = 0.09;
/** Ends and corners nearer to another figure's than this meet it, points (3 mm). */
const REACH = 8.5;
/** Shorter than this a line is none, points. */
const HAIR = 0.5;

/** Whether a line goes from one printed dot to another: then it stands for itself, whatever it crosses. */
export function joinsDots(figure: Figure, printed: PrintedDot): boolean {
  if (figure.kind !== 'line' && figure.kind !== 'arrow') return false;
  const [from, to] = [printed(figure.from, REACH), printed(figure.to, REACH)];
  return from !== null && to !== null && distance(from, to) > HAIR;
}

const OPEN: ReadonlySet<FigureKind> = new Set(['line', 'arrow', 'polyline', 'arc', 'curve']);

/** The printed dot nearest to a place within a reach, points; null for none. */
export type PrintedDot = (at: Vec, reach: number) => Vec | null;

/**
 * Makes a figure regular where it nearly is, and lets it meet the figures `near` it and the dots `printed` on the page.
 * The same object comes back when there is nothing to do.
 */
export function settleFigure(
  figure: Figure,
  near: readonly Figure[],
  { upright, meet }: SettleManners,
  printed: PrintedDot = () => null,
): Settled {
  const regular = upright ? uprightFigure(figure) : figure;
  // What is drawn round a dot is not meant to go through it.
  const dots = OPEN.has(figure.kind) ? printed : () => null;
  const settled = meet ? meeting(regular, near.flatMap(landmarksOf), dots) : null;
  return settled && settled.meets.length > 0 ? settled : { figure: regular, meets: [] };
}

function uprightFigure(figure: Figure): Figure {
  switch (figure.kind) {
    case 'line':
    case 'arrow':
      return levelled(figure, Math.PI / 4, LINE_TOLERANCE);
    case 'bracket':
    case 'brace':
      return levelled(figure, Math.PI / 2, BOX_TOLERANCE);
    case 'rectangle':
    case 'square':
    case 'ellipse':
    case 'diamond': {
      const angle = roundedAngle(figure.angle, Math.PI / 2, BOX_TOLERANCE);
      return angle === figure.angle ? figure : { ...figure, angle };
    }
    case 'triangle':
      return evenTriangle(figure);
    default:
      return figure;
  }
}

/** Turned about its middle, so that the way from end to end has a direction that is a multiple of `step`. */
function levelled(figure: Extract<Figure, { from: Vec }>, step: number, tolerance: number): Figure {
  const { x, y } = subtract(figure.to, figure.from);
  const angle = Math.atan2(y, x);
  const turn = roundedAngle(angle, step, tolerance) - angle;
  return turn === 0 ? figure : turnFigure(figure, turn, lerp(figure.from, figure.to, 0.5));
}

/** A triangle whose legs are nearly equal gets equal ones, and a base that is nearly level a level one. */
function evenTriangle(triangle: Extract<Figure, { kind: 'triangle' }>): Figure {
  const turns = [0, 1, 2].map((k) => [0, 1, 2].map((i) => triangle.corners[(k + i) % 3]));
  const uneven = ([tip, a, b]: readonly Vec[]): number =>
    Math.abs(distance(tip, a) - distance(tip, b)) / Math.max(distance(tip, a), distance(tip, b));
  const [tip, a, b] = turns.reduce((best, t) => (uneven(t) < uneven(best) ? t : best));
  if (uneven([tip, a, b]) > EVEN_LEGS) return triangle;
  const base = subtract(b, a);
  const angle = Math.atan2(base.y, base.x);
  const turn = roundedAngle(angle, Math.PI / 2, BOX_TOLERANCE) - angle;
  const middle = lerp(a, b, 0.5);
  const along = scale(base, 1 / (Math.hypot(base.x, base.y) || 1));
  const aside = scale(along, dot(subtract(tip, middle), along));
  const [p, q, r] = [subtract(tip, aside), a, b].map((c) =>
    add(middle, rotate(subtract(c, middle), turn)),
  );
  return { kind: 'triangle', corners: [p, q, r] };
}

function meeting(figure: Figure, places: readonly Vec[], printed: PrintedDot): Settled {
  const nearest = (p: Vec): Vec | null => {
    let best = printed(p, REACH);
    for (const q of places) if (distance(p, q) < (best ? distance(p, best) : REACH)) best = q;
    return best;
  };
  const meets: Vec[] = [];
  const met = (p: Vec): Vec => {
    const q = nearest(p);
    if (q) meets.push(q);
    return q ?? p;
  };
  switch (figure.kind) {
    case 'line':
    case 'arrow': {
      const [from, to] = [met(figure.from), met(figure.to)];
      // A short line beside one place does not shrink to it.
      if (distance(from, to) < HAIR) return { figure, meets: [] };
      return { figure: { ...figure, from, to }, meets };
    }
    case 'polyline':
    case 'polygon':
      return { figure: { ...figure, corners: figure.corners.map(met) }, meets };
    case 'triangle': {
      const [a, b, c] = figure.corners;
      return { figure: { ...figure, corners: [met(a), met(b), met(c)] }, meets };
    }
    case 'curve': {
      const [a, b, c, d] = figure.points;
      return { figure: { ...figure, points: [met(a), b, c, met(d)] }, meets };
    }
    case 'circle':
    case 'ellipse':
    case 'rectangle':
    case 'square':
    case 'diamond':
    case 'parallelogram':
    case 'star': {
      // What keeps its shape moves as a whole, to where one of its own landmarks meets another's.
      let by: Vec | null = null;
      let place: Vec | null = null;
      for (const p of landmarksOf(figure)) {
        const q = nearest(p);
        if (!q || (by && distance(p, q) >= Math.hypot(by.x, by.y))) continue;
        by = subtract(q, p);
        place = q;
      }
      return by && place
        ? { figure: moveFigure(figure, by), meets: [place] }
        : { figure, meets: [] };
    }
    default:
      return { figure, meets: [] };
  }
}

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
/** Ends and corners nearer to a printed rule than this meet it, points. */
const RULE_REACH = 5;
/** A line in the direction of a rule (cosine) runs along it. */
const ALONG = Math.cos(degrees(12));
/** Shorter than this a line is none, points. */
const HAIR = 0.5;

/** Whether a line goes from one printed dot to another: then it stands for itself, whatever it crosses. */
export function joinsDots(figure: Figure, { dot }: Printed): boolean {
  if (figure.kind !== 'line' && figure.kind !== 'arrow') return false;
  const [from, to] = [dot(figure.from, REACH), dot(figure.to, REACH)];
  return from !== null && to !== null && distance(from, to) > HAIR;
}

const OPEN: ReadonlySet<FigureKind> = new Set(['line', 'arrow', 'polyline', 'arc', 'curve']);

/** What is printed where a figure is drawn. */
export interface Printed {
  /** The printed dot nearest to a place within a reach, points; null for none. */
  dot(at: Vec, reach: number): Vec | null;
  /** The nearest place of a printed rule within a reach, and the direction of the rule; null for none. */
  rule(at: Vec, reach: number): { readonly at: Vec; readonly along: Vec } | null;
}

const NOTHING_PRINTED: Printed = { dot: () => null, rule: () => null };

/**
 * Makes a figure regular where it nearly is, and lets it meet the figures `near` it and the dots and rules `printed` on the page.
 * The same object comes back when there is nothing to do.
 */
export function settleFigure(
  figure: Figure,
  near: readonly Figure[],
  { upright, meet }: SettleManners,
  printed: Printed = NOTHING_PRINTED,
): Settled {
  const regular = upright ? uprightFigure(figure) : figure;
  // What is drawn round a dot is not meant to go through it.
  const met = OPEN.has(figure.kind)
    ? printed
    : { ...NOTHING_PRINTED, rule: cornersOn(figure, printed) };
  const settled = meet ? meeting(regular, near.flatMap(landmarksOf), met) : null;
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

/** Corners that move by themselves meet rules; what keeps its shape does not go to them. */
const cornersOn = (figure: Figure, { rule }: Printed): Printed['rule'] =>
  figure.kind === 'polygon' || figure.kind === 'triangle' ? rule : NOTHING_PRINTED.rule;

/** The rule that a place meets; one that a line runs along is not met by it. */
function onRule(figure: Figure, p: Vec, { rule }: Printed): Vec | null {
  const met = rule(p, RULE_REACH);
  if (!met) return null;
  if (figure.kind !== 'line' && figure.kind !== 'arrow') return met.at;
  const way = subtract(figure.to, figure.from);
  const isAlong = Math.abs(dot(way, met.along)) > ALONG * Math.hypot(way.x, way.y);
  return isAlong ? null : met.at;
}

function meeting(figure: Figure, places: readonly Vec[], printed: Printed): Settled {
  const nearest = (p: Vec): Vec | null => {
    let best = printed.dot(p, REACH);
    for (const q of places) if (distance(p, q) < (best ? distance(p, best) : REACH)) best = q;
    return best ?? onRule(figure, p, printed);
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

import type { Vec } from '../geometry/index.ts';
import type { Figure, FigureKind } from './figure.ts';
import { figureLines } from './figurePath.ts';
import { spanOf } from './fitLine.ts';

/** One way to read ink, and what it costs. */
export interface Candidate {
  readonly figure: Figure;
  /** Root mean square of the ink's distances from the figure, as a share of the ink's span. */
  readonly stray: number;
  /** Numbers that describe the figure: what may be chosen freely explains more, and must pay for it. */
  readonly freedoms: number;
}

/** A hand is never better than this, as a share of the span: less says nothing for a figure. */
const UNSTEADY = 0.012;
/** How many independent places a stroke is worth. */
const PLACES = 40;
/** What a freedom costs, in units of twice the logarithm of a likelihood. */
const FREEDOM = 3;

/** The lesser the better: misfit against complexity (the form of Schwarz's criterion, 1978). */
export const costOf = ({ stray, freedoms }: Candidate): number =>
  PLACES * Math.log(stray * stray + UNSTEADY * UNSTEADY) + FREEDOM * freedoms;

/** At this stray, as a share of the span, a figure is no longer believed. */
const MOST_STRAY: Record<FigureKind, number> = {
  line: 0.032,
  arrow: 0.03,
  polyline: 0.028,
  arc: 0.024,
  curve: 0.03,
  circle: 0.045,
  ellipse: 0.04,
  triangle: 0.042,
  rectangle: 0.042,
  square: 0.045,
  diamond: 0.042,
  parallelogram: 0.04,
  polygon: 0.026,
  cloud: 0.06,
  star: 0.045,
  brace: 0.04,
  bracket: 0.045,
  tick: 0.042,
  cross: 0.03,
};

/** Ink of a smaller span is a letter or a dot rather than such a figure, points. */
const LEAST_SPAN: Record<FigureKind, number> = {
  line: 14,
  arrow: 28,
  polyline: 36,
  arc: 32,
  curve: 48,
  circle: 34,
  ellipse: 38,
  triangle: 32,
  rectangle: 26,
  square: 26,
  diamond: 28,
  parallelogram: 30,
  polygon: 36,
  cloud: 44,
  star: 28,
  brace: 40,
  bracket: 40,
  tick: 7,
  cross: 7,
};

export const isBelievable = ({ figure, stray }: Candidate, span: number): boolean =>
  stray < MOST_STRAY[figure.kind] && span >= LEAST_SPAN[figure.kind];

/** 1 for a perfect fit, less than a half where it stops being believed. */
export const confidenceOf = ({ figure, stray }: Candidate): number =>
  1 - 0.55 * (stray / MOST_STRAY[figure.kind]) ** 1.5;

/** The candidate that draws `figure` for these points. */
export function candidateFor(figure: Figure, points: readonly Vec[], freedoms: number): Candidate {
  return { figure, stray: strayOf(points, figureLines(figure)), freedoms };
}

/** Root mean square distance of `points` from `lines`, as a share of the points' span. */
export function strayOf(points: readonly Vec[], lines: readonly (readonly Vec[])[]): number {
  let sum = 0;
  for (const p of points) {
    let best = Infinity;
    for (const line of lines)
      for (let i = 1; i < line.length; i++)
        best = Math.min(best, squaredDistance(p, line[i - 1], line[i]));
    sum += best;
  }
  return Math.sqrt(sum / points.length) / spanOf(points);
}

/** Of a point from a segment; here many times a stroke, so without an object for each. */
function squaredDistance(p: Vec, a: Vec, b: Vec): number {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const px = p.x - a.x;
  const py = p.y - a.y;
  const l2 = dx * dx + dy * dy;
  const t = l2 === 0 ? 0 : Math.min(1, Math.max(0, (px * dx + py * dy) / l2));
  const ox = px - t * dx;
  const oy = py - t * dy;
  return ox * ox + oy * oy;
}

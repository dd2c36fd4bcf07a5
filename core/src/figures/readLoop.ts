import {
  angleAt,
  boxOfPoints,
  distance,
  polylineLength,
  nearestOnSegment,
  resamplePolyline,
  rotate,
  simplifiedIndices,
  type Vec,
  boxCentre,
} from '../geometry/index.ts';
import type { Figure, FigureReading } from './figure.ts';
import { ellipseDistance, fitEllipse } from './fitEllipse.ts';
import { figureLines } from './figurePath.ts';
import { fitLine, meetingPoint, spanOf } from './fitLine.ts';

/** The ends of a loop are apart by at most this share of its length. */
const WIDEST_GAP = 0.16;
/** Overshoot is looked for in this share of the stroke at either end. */
const OVERSHOOT = 0.2;
/** Root-mean-square stray, as a share of the span, at which a figure is no longer believed. */
const MOST_STRAY = 0.04;
/** Axes nearer to equal than this make a circle. */
const CIRCLE_RATIO = 0.86;
/** Corners of a rectangle differ from a right angle by at most this, radians (18°). */
const SQUARENESS = (18 * Math.PI) / 180;
/** A figure turned by less than this stands upright, radians (6°). */
const UPRIGHT = (6 * Math.PI) / 180;
const POINTS = 96;

/** Ellipse, circle, triangle or rectangle: every reading that fits, best first. */
export function readLoop(stroke: readonly Vec[]): FigureReading[] {
  const loop = closedLoop(stroke);
  if (!loop) return [];
  const span = spanOf(loop);
  return [roundFigure(loop), ...polygonFigures(loop, span)]
    .filter((f): f is Figure => f !== null)
    .map((figure) => ({ figure, stray: strayOf(loop, figure) / span }))
    .filter(({ stray }) => stray < MOST_STRAY)
    .sort((a, b) => a.stray - b.stray)
    .map(({ figure, stray }) => ({
      kind: figure.kind,
      confidence: 1 - 0.6 * (stray / MOST_STRAY),
      figure,
      others: [],
    }));
}

/** Evenly spaced points of the loop without its overshoot; null when the stroke does not close. */
function closedLoop(stroke: readonly Vec[]): Vec[] | null {
  const points = resamplePolyline(stroke, POINTS);
  const reach = Math.floor(POINTS * OVERSHOOT);
  let best = Infinity;
  let from = 0;
  let to = POINTS - 1;
  for (let i = 0; i < reach; i++)
    for (let j = POINTS - reach; j < POINTS; j++) {
      // Cutting costs a little, so that a plain loop keeps its ends.
      const d =
        distance(points[i], points[j]) +
        0.002 * (i + POINTS - 1 - j) * spanOf([points[0], points[48]]);
      if (d < best) {
        best = d;
        from = i;
        to = j;
      }
    }
  const kept = points.slice(from, to + 1);
  const gap = distance(kept[0], kept[kept.length - 1]);
  if (gap > WIDEST_GAP * polylineLength(stroke)) return null;
  return resamplePolyline(kept, POINTS);
}

function roundFigure(loop: readonly Vec[]): Figure | null {
  const e = fitEllipse(loop);
  if (!e) return null;
  if (e.ry / e.rx > CIRCLE_RATIO)
    return { kind: 'circle', centre: e.centre, radius: (e.rx + e.ry) / 2 };
  return { kind: 'ellipse', ...e, angle: upright(e.angle) };
}

function polygonFigures(loop: readonly Vec[], span: number): (Figure | null)[] {
  for (const tolerance of [0.05, 0.08, 0.12]) {
    const corners = loopCorners(loop, tolerance * span);
    if (corners.length === 3) return [triangle(loop, corners)];
    if (corners.length === 4) return [rectangle(loop, corners)];
  }
  return [];
}

/** Indices of the corners of a closed loop, starting from one that surely is a corner. */
function loopCorners(loop: readonly Vec[], tolerance: number): number[] {
  const centre = boxCentre(boxOfPoints(loop));
  let start = 0;
  loop.forEach((p, i) => {
    if (distance(p, centre) > distance(loop[start], centre)) start = i;
  });
  const at = (i: number): Vec => loop[(i + start) % loop.length];
  return simplifiedIndices(
    loop.length + 1,
    tolerance,
    (i, a, b) => nearestOnSegment(at(i), at(a), at(b)).distance,
  )
    .slice(0, -1)
    .map((i) => (i + start) % loop.length);
}

/** The sides between corners, fitted without the rounded fifth at either end, and where they meet. */
function sharpCorners(loop: readonly Vec[], corners: readonly number[]): Vec[] | null {
  const sides = corners.map((from, k) => {
    const to = corners[(k + 1) % corners.length];
    const count = (to - from + loop.length) % loop.length;
    const trim = Math.floor(count / 5);
    return Array.from(
      { length: Math.max(2, count - 2 * trim + 1) },
      (_, i) => loop[(from + trim + i) % loop.length],
    );
  });
  const lines = sides.map(fitLine);
  const out: Vec[] = [];
  for (let k = 0; k < lines.length; k++) {
    const p = meetingPoint(lines[(k + lines.length - 1) % lines.length], lines[k]);
    if (!p) return null;
    out.push(p);
  }
  return out;
}

function triangle(loop: readonly Vec[], corners: readonly number[]): Figure | null {
  const sharp = sharpCorners(loop, corners);
  return sharp && { kind: 'triangle', corners: [sharp[0], sharp[1], sharp[2]] };
}

function rectangle(loop: readonly Vec[], corners: readonly number[]): Figure | null {
  const c = sharpCorners(loop, corners);
  if (!c) return null;
  const square = c.every(
    (p, k) => Math.abs(angleAt(c[(k + 3) % 4], p, c[(k + 1) % 4]) - Math.PI / 2) < SQUARENESS,
  );
  if (!square) return null;
  // The mean direction of the four sides, each turned back by its number of right angles.
  let sin = 0;
  let cos = 0;
  c.forEach((p, k) => {
    const q = c[(k + 1) % 4];
    const a = 4 * Math.atan2(q.y - p.y, q.x - p.x);
    sin += distance(p, q) * Math.sin(a);
    cos += distance(p, q) * Math.cos(a);
  });
  const angle = upright(Math.atan2(sin, cos) / 4);
  const flat = c.map((p) => rotate(p, -angle));
  const xs = flat.map((p) => p.x).sort((a, b) => a - b);
  const ys = flat.map((p) => p.y).sort((a, b) => a - b);
  const [left, right] = [(xs[0] + xs[1]) / 2, (xs[2] + xs[3]) / 2];
  const [low, high] = [(ys[0] + ys[1]) / 2, (ys[2] + ys[3]) / 2];
  return {
    kind: 'rectangle',
    centre: rotate({ x: (left + right) / 2, y: (low + high) / 2 }, angle),
    width: right - left,
    height: high - low,
    angle,
  };
}

/** Turns that are nearly none or nearly a right angle become exactly so. */
function upright(angle: number): number {
  const quarter = Math.PI / 2;
  const nearest = Math.round(angle / quarter) * quarter;
  return Math.abs(angle - nearest) < UPRIGHT ? nearest : angle;
}

function strayOf(loop: readonly Vec[], figure: Figure): number {
  const squared = (d: number): number => d * d;
  let sum = 0;
  if (figure.kind === 'circle') {
    for (const p of loop) sum += squared(distance(p, figure.centre) - figure.radius);
  } else if (figure.kind === 'ellipse') {
    for (const p of loop) sum += squared(ellipseDistance(figure, p));
  } else {
    const [line] = figureLines(figure);
    for (const p of loop) {
      let best = Infinity;
      for (let i = 1; i < line.length; i++)
        best = Math.min(best, nearestOnSegment(p, line[i - 1], line[i]).distance);
      sum += squared(best);
    }
  }
  return Math.sqrt(sum / loop.length);
}

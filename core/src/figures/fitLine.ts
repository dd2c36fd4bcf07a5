import { add, boxOfPoints, cross, dot, scale, subtract, type Vec, vec } from '../geometry/index.ts';

/** A straight line through `at` along the unit vector `along`. */
export interface FittedLine {
  readonly at: Vec;
  readonly along: Vec;
}

/** Total least squares: the principal axis of the points, through their mean. */
export function fitLine(points: readonly Vec[]): FittedLine {
  const n = points.length;
  const at = scale(points.reduce(add, vec(0, 0)), 1 / n);
  let xx = 0;
  let xy = 0;
  let yy = 0;
  for (const p of points) {
    const d = subtract(p, at);
    xx += d.x * d.x;
    xy += d.x * d.y;
    yy += d.y * d.y;
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  return { at, along: vec(Math.cos(angle), Math.sin(angle)) };
}

export const offsetFrom = (line: FittedLine, p: Vec): number =>
  cross(line.along, subtract(p, line.at));

/** `p` moved square onto the line. */
export const onLine = (line: FittedLine, p: Vec): Vec =>
  add(line.at, scale(line.along, dot(line.along, subtract(p, line.at))));

/** Where two lines meet; null when they are all but parallel (less than 3°). */
export function meetingPoint(a: FittedLine, b: FittedLine): Vec | null {
  const c = cross(a.along, b.along);
  if (Math.abs(c) < 0.05) return null;
  return add(a.at, scale(a.along, cross(subtract(b.at, a.at), b.along) / c));
}

/** The diagonal of the box around the points. */
export function spanOf(points: readonly Vec[]): number {
  const b = boxOfPoints(points);
  return Math.hypot(b.maxX - b.minX, b.maxY - b.minY);
}

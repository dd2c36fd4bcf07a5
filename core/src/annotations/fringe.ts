import { type Box, boxOfPoints, type Vec } from '../geometry/index.ts';

/** How far a shape lies within its annotation's rectangle: from the left, the foot, the right and the head (RD, §12.5.6.8), points. */
export type Fringe = readonly number[];

/** The fringe around a shape of these corners, which reaches `beyond` them by its border. */
export function fringeOf(rect: Box, corners: readonly Vec[], beyond: number): Fringe {
  const { minX, minY, maxX, maxY } = boxOfPoints(corners);
  return [minX - rect.minX, minY - rect.minY, rect.maxX - maxX, rect.maxY - maxY].map((n) =>
    Math.max(0, n - beyond),
  );
}

/** The same read back: the lower left and the upper right corner of the shape; null where nothing is left of it. */
export function withinFringe(
  rect: Box,
  [left = 0, foot = 0, right = 0, head = 0]: Fringe,
  beyond: number,
): readonly [Vec, Vec] | null {
  const a = { x: rect.minX + left + beyond, y: rect.minY + foot + beyond };
  const b = { x: rect.maxX - right - beyond, y: rect.maxY - head - beyond };
  return b.x > a.x && b.y > a.y ? [a, b] : null;
}

import { type Box, boxOfPoints } from './box.ts';
import type { Vec } from './vec.ts';

/** An affine map as PDF and canvas write it: x' = a x + c y + e, y' = b x + d y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** First `m`, then `n` (ISO 32000-1 §8.3.4 writes this product as m × n). */
export function thenMatrix(m: Matrix, n: Matrix): Matrix {
  return [
    m[0] * n[0] + m[1] * n[2],
    m[0] * n[1] + m[1] * n[3],
    m[2] * n[0] + m[3] * n[2],
    m[2] * n[1] + m[3] * n[3],
    m[4] * n[0] + m[5] * n[2] + n[4],
    m[4] * n[1] + m[5] * n[3] + n[5],
  ];
}

export const transform = (m: Matrix, p: Vec): Vec => ({
  x: m[0] * p.x + m[2] * p.y + m[4],
  y: m[1] * p.x + m[3] * p.y + m[5],
});

/** @throws RangeError when `m` flattens the plane and has no inverse */
export function invertMatrix(m: Matrix): Matrix {
  const det = m[0] * m[3] - m[1] * m[2];
  if (det === 0 || !Number.isFinite(det)) throw new RangeError('A singular matrix has no inverse.');
  return [
    m[3] / det,
    -m[1] / det,
    -m[2] / det,
    m[0] / det,
    (m[2] * m[5] - m[3] * m[4]) / det,
    (m[1] * m[4] - m[0] * m[5]) / det,
  ];
}

/** The box around the four mapped corners of `b`. */
export function transformBox(m: Matrix, b: Box): Box {
  return boxOfPoints([
    transform(m, { x: b.minX, y: b.minY }),
    transform(m, { x: b.maxX, y: b.minY }),
    transform(m, { x: b.minX, y: b.maxY }),
    transform(m, { x: b.maxX, y: b.maxY }),
  ]);
}

/** Where the corners of the unit square (0,0)–(1,1), y up, come to lie: its upper left, upper right, lower right and lower left one. */
export const unitCorners = (m: Matrix): readonly [Vec, Vec, Vec, Vec] => [
  transform(m, { x: 0, y: 1 }),
  transform(m, { x: 1, y: 1 }),
  transform(m, { x: 1, y: 0 }),
  transform(m, { x: 0, y: 0 }),
];

/** The turn by an angle (radians, anticlockwise where y goes up) about a point. */
export function turnAbout(angle: number, { x, y }: Vec): Matrix {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [c, s, -s, c, x - c * x + s * y, y - s * x - c * y];
}

/** Stretching by `sx` and `sy` away from a point. */
export const scaleAbout = (sx: number, sy: number, { x, y }: Vec): Matrix => [
  sx,
  0,
  0,
  sy,
  x - sx * x,
  y - sy * y,
];

export const moveBy = ({ x, y }: Vec): Matrix => [1, 0, 0, 1, x, y];

/** How much a map enlarges lengths on the mean. */
export const mapSize = (m: Matrix): number => Math.sqrt(Math.abs(m[0] * m[3] - m[1] * m[2]));

import type { Vec } from '../geometry/index.ts';

/** Four corners, one after the other round the middle: of a page from its upper left one, clockwise as it is seen. */
export type Quad = readonly [Vec, Vec, Vec, Vec];

/** A map of the plane that keeps lines straight: rows of a 3 × 3 matrix, its last number 1 but where it is no finite map. */
export type Homography = readonly number[];

/** Carries the corners (0,0), (1,0), (1,1), (0,1) of the unit square to those of a quad (Heckbert, Fundamentals of Texture Mapping, 1989, §2.2.3). */
function fromSquare([a, b, c, d]: Quad): Homography {
  const sum = { x: a.x - b.x + c.x - d.x, y: a.y - b.y + c.y - d.y };
  const [p, q] = [
    { x: b.x - c.x, y: b.y - c.y },
    { x: d.x - c.x, y: d.y - c.y },
  ];
  const det = p.x * q.y - q.x * p.y;
  const g = (sum.x * q.y - q.x * sum.y) / det;
  const h = (p.x * sum.y - sum.x * p.y) / det;
  return [
    ...[b.x - a.x + g * b.x, d.x - a.x + h * d.x, a.x],
    ...[b.y - a.y + g * b.y, d.y - a.y + h * d.y, a.y],
    ...[g, h, 1],
  ];
}

/** The inverse, but for a factor, which does not matter. */
function inverse([a, b, c, d, e, f, g, h, i]: Homography): Homography {
  return [
    ...[e * i - f * h, c * h - b * i, b * f - c * e],
    ...[f * g - d * i, a * i - c * g, c * d - a * f],
    ...[d * h - e * g, b * g - a * h, a * e - b * d],
  ];
}

const product = (m: Homography, n: Homography): Homography =>
  Array.from({ length: 9 }, (_, k) => {
    const [row, column] = [Math.floor(k / 3), k % 3];
    return m[3 * row] * n[column] + m[3 * row + 1] * n[3 + column] + m[3 * row + 2] * n[6 + column];
  });

/** Carries the corners of one quad to those of another. Neither may have three corners in a line. */
export const homography = (from: Quad, to: Quad): Homography =>
  product(fromSquare(to), inverse(fromSquare(from)));

export function carried([a, b, c, d, e, f, g, h, i]: Homography, { x, y }: Vec): Vec {
  const w = g * x + h * y + i;
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w };
}

/** The corners of a sheet of a size at the origin. */
export const sheetQuad = (width: number, height: number): Quad => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: height },
  { x: 0, y: height },
];

import { cross, dot, subtract, type Vec } from './vec.ts';

/** A convex area as the half planes it lies in: within all of them n · p < d, n of length 1, outwards. */
export interface Convex {
  readonly corners: readonly Vec[];
  readonly sides: readonly { readonly n: Vec; readonly d: number }[];
}

/** A convex area by its corners, in either direction; null where it has no inside. */
export function convexArea(corners: readonly Vec[]): Convex | null {
  const area = corners.reduce((sum, p, k) => sum + cross(p, corners[(k + 1) % corners.length]), 0);
  if (Math.abs(area) < 1e-9) return null;
  const inOrder = area > 0 ? corners : [...corners].reverse();
  const sides = inOrder.flatMap((p, k) => {
    const along = subtract(inOrder[(k + 1) % inOrder.length], p);
    const length = Math.hypot(along.x, along.y);
    if (length === 0) return [];
    const n = { x: along.y / length, y: -along.x / length };
    return { n, d: dot(n, p) };
  });
  return { corners: inOrder, sides };
}

/** The area without so much of it along its sides; as narrow as it can be where it is narrower. */
export function narrower({ corners, sides }: Convex, by: number): Convex {
  const middle = {
    x: corners.reduce((sum, p) => sum + p.x, 0) / corners.length,
    y: corners.reduce((sum, p) => sum + p.y, 0) / corners.length,
  };
  return {
    corners,
    sides: sides.map(({ n, d }) => ({ n, d: d - Math.min(by, 0.9 * (d - dot(n, middle))) })),
  };
}

/** So near a border a place is on it. */
const NEAR = 1e-9;

/** Whether a place is within; on its border none is. */
export const isWithin = ({ sides }: Convex, p: Vec): boolean =>
  sides.every(({ n, d }) => dot(n, p) < d - NEAR);

/** Whether two convex areas have an inside in common (separating axes). */
export const convexMeet = (a: Convex, b: Convex): boolean =>
  !isApart(a, b.corners) && !isApart(b, a.corners);

const isApart = ({ sides }: Convex, corners: readonly Vec[]): boolean =>
  sides.some(({ n, d }) => corners.every((p) => dot(n, p) >= d - NEAR));

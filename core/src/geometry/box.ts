import type { Vec } from './vec.ts';

/** An axis-parallel box; empty when a minimum exceeds its maximum. */
export interface Box {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

export const EMPTY_BOX: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };

export const box = (minX: number, minY: number, maxX: number, maxY: number): Box => ({
  minX,
  minY,
  maxX,
  maxY,
});
export const isEmptyBox = (b: Box): boolean => b.minX > b.maxX || b.minY > b.maxY;
export const boxWidth = (b: Box): number => b.maxX - b.minX;
export const boxHeight = (b: Box): number => b.maxY - b.minY;
export const boxCentre = (b: Box): Vec => ({ x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 });
export const growBox = (b: Box, by: number): Box =>
  box(b.minX - by, b.minY - by, b.maxX + by, b.maxY + by);
export const boxesMeet = (a: Box, b: Box): boolean =>
  a.minX <= b.maxX && a.maxX >= b.minX && a.minY <= b.maxY && a.maxY >= b.minY;
export const uniteBoxes = (a: Box, b: Box): Box =>
  box(
    Math.min(a.minX, b.minX),
    Math.min(a.minY, b.minY),
    Math.max(a.maxX, b.maxX),
    Math.max(a.maxY, b.maxY),
  );
export const intersectBoxes = (a: Box, b: Box): Box =>
  box(
    Math.max(a.minX, b.minX),
    Math.max(a.minY, b.minY),
    Math.min(a.maxX, b.maxX),
    Math.min(a.maxY, b.maxY),
  );
export function boxOfPoints(points: Iterable<Vec>): Box {
  let minX = Infinity;
  let minY = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  for (const p of points) {
    if (p.x < minX) minX = p.x;
    if (p.y < minY) minY = p.y;
    if (p.x > maxX) maxX = p.x;
    if (p.y > maxY) maxY = p.y;
  }
  return { minX, minY, maxX, maxY };
}

/** Whether all of a box lies within another, edges included. */
export const boxHolds = (outer: Box, { minX, minY, maxX, maxY }: Box): boolean =>
  minX >= outer.minX && minY >= outer.minY && maxX <= outer.maxX && maxY <= outer.maxY;

/** How far a point is from a box; 0 within it. */
export const distanceToBox = ({ x, y }: Vec, { minX, minY, maxX, maxY }: Box): number =>
  Math.hypot(Math.max(minX - x, 0, x - maxX), Math.max(minY - y, 0, y - maxY));

/** A polygon around a box. */
export const boxCorners = ({ minX, minY, maxX, maxY }: Box): readonly Vec[] => [
  { x: minX, y: minY },
  { x: maxX, y: minY },
  { x: maxX, y: maxY },
  { x: minX, y: maxY },
];

/** The middle nearest to what is wanted at which a box is whole on a sheet; in the middle of the sheet where it has no room. */
export function middleOn(b: Box, { x, y }: Vec, sheet: Box): Vec {
  const [w, h] = [boxWidth(b) / 2, boxHeight(b) / 2];
  const clamp = (n: number, low: number, high: number): number =>
    low > high ? (low + high) / 2 : Math.min(high, Math.max(low, n));
  return {
    x: clamp(x, sheet.minX + w, sheet.maxX - w),
    y: clamp(y, sheet.minY + h, sheet.maxY - h),
  };
}

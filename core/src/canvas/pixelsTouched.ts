import { type Drawing, drawingBounds } from '../drawing/index.ts';
import {
  type Box,
  box,
  growBox,
  intersectBoxes,
  type Matrix,
  transformBox,
} from '../geometry/index.ts';

/** By how much smoothed edges may reach beyond what is painted, pixels. */
const EDGE = 1;

/** The box around what painting a drawing may touch, pixels. @param matrix from user space to pixels */
export const touchedBy = (drawing: Drawing, matrix: Matrix): Box =>
  growBox(transformBox(matrix, drawingBounds(drawing)), EDGE);

/** The whole pixels of a canvas that a box touches; null where it lies beside it. */
export function pixelsTouched(
  { minX, minY, maxX, maxY }: Box,
  { width, height }: { readonly width: number; readonly height: number },
): Box | null {
  const touched = intersectBoxes(
    box(Math.floor(minX), Math.floor(minY), Math.ceil(maxX), Math.ceil(maxY)),
    box(0, 0, width, height),
  );
  return touched.minX < touched.maxX && touched.minY < touched.maxY ? touched : null;
}

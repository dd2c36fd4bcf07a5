import { type Box, type Matrix, thenMatrix, transformBox } from '@marginalis/core/geometry';

/** Of the operators of a page, those that say where its pictures stand, by the names pdf.js has for them. */
export interface PictureOps {
  readonly save: number;
  readonly restore: number;
  readonly transform: number;
  readonly paintImageXObject: number;
  readonly paintInlineImageXObject: number;
  readonly paintFormXObjectBegin: number;
  readonly paintFormXObjectEnd: number;
}

const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];
/** An image is painted into the unit square (ISO 32000-1 §8.9.5.1). */
const UNIT: Box = { minX: 0, minY: 0, maxX: 1, maxY: 1 };

const isMatrix = (value: unknown): value is Matrix =>
  Array.isArray(value) && value.length === 6 && value.every((n) => Number.isFinite(n));

/** Where the operators of a page paint pictures, in its user space. Masks are none: they are shapes, filled with a colour. */
export function pictureBoxes(
  operators: ArrayLike<number>,
  operands: ArrayLike<unknown>,
  ops: PictureOps,
): Box[] {
  const boxes: Box[] = [];
  const saved: Matrix[] = [];
  let now = IDENTITY;
  for (let k = 0; k < operators.length; k++) {
    const given = operands[k];
    switch (operators[k]) {
      case ops.save:
        saved.push(now);
        break;
      case ops.restore:
      case ops.paintFormXObjectEnd:
        now = saved.pop() ?? IDENTITY;
        break;
      case ops.transform:
        if (isMatrix(given)) now = thenMatrix(given, now);
        break;
      case ops.paintFormXObjectBegin: {
        saved.push(now);
        const [matrix] = (given ?? []) as unknown[];
        if (isMatrix(matrix)) now = thenMatrix(matrix, now);
        break;
      }
      case ops.paintImageXObject:
      case ops.paintInlineImageXObject:
        boxes.push(transformBox(now, UNIT));
        break;
    }
  }
  return boxes;
}

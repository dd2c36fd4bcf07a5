import {
  type Matrix,
  moveBy,
  thenMatrix,
  transform,
  turnAbout,
  type Vec,
} from '../../geometry/index.ts';
import type { TextMark } from './mark.ts';

/** From the box's own space (origin at its upper left corner, y up) to user space. */
export const placeOfBox = ({ at, angle }: Pick<TextMark, 'at' | 'angle'>): Matrix =>
  thenMatrix(turnAbout(angle, { x: 0, y: 0 }), moveBy(at));

/** Of the whole box, points. */
export function sizeOfBox({ block, height, padding }: TextMark): {
  readonly width: number;
  readonly height: number;
} {
  return { width: block.width + 2 * padding, height: height + 2 * padding };
}

/** Its corners in user space: upper left, upper right, lower right, lower left, as it is read. */
export function cornersOfBox(mark: TextMark): readonly [Vec, Vec, Vec, Vec] {
  const { width, height } = sizeOfBox(mark);
  const place = placeOfBox(mark);
  const corner = (x: number, y: number): Vec => transform(place, { x, y });
  return [corner(0, 0), corner(width, 0), corner(width, -height), corner(0, -height)];
}

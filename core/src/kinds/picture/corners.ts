import { transform, type Vec } from '../../geometry/index.ts';
import type { PictureMark } from './mark.ts';

/** Its corners in user space: upper left, upper right, lower right, lower left of the picture itself. */
export const pictureCorners = ({
  place,
}: Pick<PictureMark, 'place'>): readonly [Vec, Vec, Vec, Vec] => [
  transform(place, { x: 0, y: 1 }),
  transform(place, { x: 1, y: 1 }),
  transform(place, { x: 1, y: 0 }),
  transform(place, { x: 0, y: 0 }),
];

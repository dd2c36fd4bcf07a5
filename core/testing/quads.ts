import { type Box, boxCorners } from '../src/geometry/index.ts';
import type { Quad } from '../src/print/index.ts';

/** A box's corners as those of words are told: upper left, upper right, lower left, lower right. */
export function quadOf(box: Box): Quad {
  const [a, b, c, d] = boxCorners(box);
  return [d, c, a, b];
}

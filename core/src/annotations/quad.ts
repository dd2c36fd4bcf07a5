import { cross, dot, subtract, type Vec } from '../geometry/index.ts';
import type { Quad } from '../print/index.ts';

/**
 * A quadrilateral of text, however its corners are ordered: across (upper left, upper right, lower left, lower right, as most
 * programs do) or round (from the lower left, as ISO 32000-1 §12.5.6.10 has it, or from anywhere else). Its line runs along the
 * first side that is written; its head lies to the left of that.
 */
export function quadOf(a: Vec, b: Vec, c: Vec, d: Vec): Quad {
  const first = subtract(b, a);
  const goesRound = dot(first, subtract(d, c)) < 0;
  const [e, f] = goesRound ? [d, c] : [c, d];
  const isHead = cross(first, subtract(e, a)) <= 0;
  // Round and downwards: a line that is written from its end.
  return isHead ? [a, b, e, f] : [e, f, a, b];
}

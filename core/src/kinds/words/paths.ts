import { outlineFigure } from '../../figures/index.ts';
import { distance, lerp, type Path, joinPaths, type Vec } from '../../geometry/index.ts';
import { pathOfQuads, type Quad } from '../../print/index.ts';
import type { WordsMark } from './mark.ts';

/** Where lines run, in shares of a strip's height above its foot: beneath what type stands on, and through small letters. */
export const UNDER = 0.1;
export const THROUGH = 0.46;
/** A squiggle goes up and down by this share of the strip's height, once in so many such steps. */
const SWING = 0.07;
const SWINGS = 4;
/** Points a squiggle has at the most: a strip longer than that is no print. */
const MOST_POINTS = 4000;

/** What a mark on words fills. */
export function pathOfWords({ manner, strips, style }: WordsMark): Path {
  const quads = strips.map(({ quad }) => quad);
  switch (manner) {
    case 'highlight':
      return pathOfQuads(quads);
    case 'underline':
      return lined(quads, (quad) => level(quad, UNDER), style.width);
    case 'strike':
      return lined(quads, (quad) => level(quad, THROUGH), style.width);
    case 'squiggle':
      return lined(quads, squiggle, style.width);
  }
}

const lined = (quads: readonly Quad[], lineOf: (quad: Quad) => Vec[], width: number): Path =>
  joinPaths(
    quads.map((quad) => outlineFigure({ kind: 'polyline', corners: lineOf(quad) }, width, 'none')),
  );

const level = ([headStart, headEnd, footStart, footEnd]: Quad, share: number): Vec[] => [
  lerp(footStart, headStart, share),
  lerp(footEnd, headEnd, share),
];

function squiggle(quad: Quad): Vec[] {
  const [headStart, , footStart, footEnd] = quad;
  const height = distance(headStart, footStart);
  const step = SWINGS * SWING * height;
  const count = Math.min(MOST_POINTS, Math.max(2, Math.round(distance(footStart, footEnd) / step)));
  const [low, high] = [level(quad, UNDER - SWING), level(quad, UNDER + SWING)];
  return Array.from({ length: count + 1 }, (_, k) => {
    const [from, to] = k % 2 === 0 ? low : high;
    return lerp(from, to, k / count);
  });
}

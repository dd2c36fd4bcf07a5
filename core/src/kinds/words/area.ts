import {
  displayMatrix,
  invertMatrix,
  lerp,
  type PageBox,
  transform,
  transformBox,
  type Vec,
} from '../../geometry/index.ts';
import type { WordManner } from '../../marks/index.ts';
import type { Quad } from '../../print/index.ts';
import type { Strip } from './mark.ts';
import { THROUGH, UNDER } from './paths.ts';

/** A line of print whose height nobody knows is taken to be so high, points. */
export const LINE = 14;

/** No area is narrower, points: it could not be found again. */
const NARROWEST = 4;

/** Of a strip, where its line runs above its foot, in shares of its height. */
const RUNS: Readonly<Record<Exclude<WordManner, 'highlight'>, number>> = {
  underline: UNDER,
  squiggle: UNDER,
  strike: THROUGH,
};

/**
 * What is marked between two places of a page (user space) where no words can be read: highlighted is the rectangle between them, as the page is
 * seen, or a line's height where they are level; a line runs level from the first as far as the second. Kept within the page.
 */
export function areaBetween(page: PageBox, from: Vec, to: Vec, manner: WordManner): Strip {
  const display = displayMatrix(page);
  const paper = transformBox(display, page.box);
  const [a, b] = [from, to].map((p) => {
    const { x, y } = transform(display, p);
    return {
      x: Math.min(paper.maxX, Math.max(paper.minX, x)),
      y: Math.min(paper.maxY, Math.max(paper.minY, y)),
    };
  });
  const left = Math.min(a.x, b.x, paper.maxX - NARROWEST);
  const right = Math.max(a.x, b.x, left + NARROWEST);
  let [top, foot] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
  if (manner !== 'highlight') {
    foot = a.y + RUNS[manner] * LINE;
    top = foot - LINE;
  } else if (foot - top < LINE) {
    const middle = (top + foot) / 2;
    [top, foot] = [middle - LINE / 2, middle + LINE / 2];
  }
  const back = invertMatrix(display);
  const corner = (x: number, y: number): Vec => transform(back, { x, y });
  const quad: Quad = [
    corner(left, top),
    corner(right, top),
    corner(left, foot),
    corner(right, foot),
  ];
  return { quad, words: [] };
}

/** Both ends of an area, in user space: between them {@link areaBetween} finds it again. */
export function areaEnds({ quad }: Strip, manner: WordManner): readonly [Vec, Vec] {
  const [headStart, headEnd, footStart, footEnd] = quad;
  if (manner === 'highlight') return [headStart, footEnd];
  return [lerp(footStart, headStart, RUNS[manner]), lerp(footEnd, headEnd, RUNS[manner])];
}

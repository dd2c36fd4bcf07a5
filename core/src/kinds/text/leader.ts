import { type Figure, figureLines, outlineFigure } from '../../figures/index.ts';
import { invertMatrix, type Path, transform, type Vec } from '../../geometry/index.ts';
import { placeOfBox, sizeOfBox } from './box.ts';
import type { TextMark } from './mark.ts';

/** Points. */
const HAIRLINE = 0.75;

/**
 * The points of a callout's line, from the side of its box to the place it points at; null where that lies in the box, or there is none. It begins in the middle
 * of the side that looks towards where it goes first, so that it never crosses its own box.
 */
export function leaderPoints(mark: TextMark): readonly Vec[] | null {
  const { leader } = mark;
  if (!leader) return null;
  const place = placeOfBox(mark);
  const back = invertMatrix(place);
  const { width, height } = sizeOfBox(mark);
  const isInside = ({ x, y }: Vec): boolean => x >= 0 && x <= width && y <= 0 && y >= -height;
  if (isInside(transform(back, leader.to))) return null;
  const bend = leader.bend && !isInside(transform(back, leader.bend)) ? leader.bend : null;
  const towards = transform(back, bend ?? leader.to);
  const start = transform(place, sideTowards(towards, width, height));
  return bend ? [start, bend, leader.to] : [start, leader.to];
}

/** The middle of the side of a box that a place lies beyond; of two the one it is farther beyond. */
function sideTowards({ x, y }: Vec, width: number, height: number): Vec {
  const beyond = [
    { at: { x: 0, y: -height / 2 }, by: -x },
    { at: { x: width, y: -height / 2 }, by: x - width },
    { at: { x: width / 2, y: 0 }, by: y },
    { at: { x: width / 2, y: -height }, by: -height - y },
  ];
  return beyond.reduce((most, side) => (side.by > most.by ? side : most)).at;
}

const figureOf = (mark: TextMark): Figure | null => {
  const points = leaderPoints(mark);
  return points && { kind: 'polyline', corners: [...points], head: mark.leader?.head ?? 0 };
};

/** How thick a callout's line is: as the border, or a hairline where that is none, points. */
export const leaderWidth = ({ border }: TextMark): number => Math.max(HAIRLINE, border);

/** The line with its arrowhead, as it is filled. */
export function leaderPath(mark: TextMark): Path | null {
  const figure = figureOf(mark);
  return figure && outlineFigure(figure, leaderWidth(mark));
}

/** All lines of it, barbs too: where it is met. */
export const leaderLines = (mark: TextMark): readonly (readonly Vec[])[] => {
  const figure = figureOf(mark);
  return figure ? figureLines(figure) : [];
};

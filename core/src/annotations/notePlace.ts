import { type Box, boxCentre, boxHeight, boxWidth, type Vec } from '../geometry/index.ts';

/** Signs no larger than this are dots at their place; larger ones are pictures whose upper left corner is at it, points. */
const LARGEST_DOT = 12;

/** The place that a note's sign is at, by its rectangle (ISO 32000-1 §12.5.6.4 has pictures keep their upper left corner). */
export const notePlace = (rect: Box): Vec =>
  Math.max(boxWidth(rect), boxHeight(rect)) <= LARGEST_DOT
    ? boxCentre(rect)
    : { x: rect.minX, y: rect.maxY };

import { lerp, type Vec } from '../geometry/index.ts';
import type { Figure, TurnedBox } from './figure.ts';
import {
  arcPoints,
  boxOf,
  bracketCorners,
  curvePoints,
  diamondCorners,
  rectangleCorners,
  starCorners,
} from './figurePath.ts';

/** The points of a figure that the eye takes hold of: ends, corners, the middles of straight sides, and the centre. */
export function landmarksOf(figure: Figure): Vec[] {
  switch (figure.kind) {
    case 'line':
    case 'arrow':
      return sides([figure.from, figure.to], false);
    case 'polyline':
    case 'tick':
      return sides(figure.corners, false);
    case 'arc': {
      const line = arcPoints(figure.centre, figure.radius, figure.start, figure.sweep);
      return [line[0], line[line.length - 1], figure.centre];
    }
    case 'curve':
      return [figure.points[0], figure.points[3], curvePoints(figure.points)[48]];
    case 'circle':
      return [figure.centre, ...diamondCorners(aroundCircle(figure))];
    case 'ellipse':
      return [figure.centre, ...diamondCorners(boxOf(figure))];
    case 'rectangle':
    case 'square':
      return [...sides(rectangleCorners(boxOf(figure)), true), figure.centre];
    case 'diamond':
      return [...sides(diamondCorners(figure), true), figure.centre];
    case 'triangle':
    case 'parallelogram':
    case 'polygon':
    case 'cloud':
      return sides(figure.corners, true);
    case 'star':
      return [...starCorners(figure), figure.centre];
    case 'brace':
    case 'bracket': {
      const [, b, c] = bracketCorners(figure.from, figure.to, figure.depth);
      return [figure.from, figure.to, lerp(b, c, 0.5)];
    }
    case 'cross':
      return [...figure.first, ...figure.second];
  }
}

/** Corners, and the middles between them. */
function sides(corners: readonly Vec[], isClosed: boolean): Vec[] {
  const next = isClosed ? [...corners.slice(1), corners[0]] : corners.slice(1);
  return [...corners, ...next.map((q, k) => lerp(corners[k], q, 0.5))];
}

const aroundCircle = ({ centre, radius }: { centre: Vec; radius: number }): TurnedBox => ({
  centre,
  width: 2 * radius,
  height: 2 * radius,
  angle: 0,
});

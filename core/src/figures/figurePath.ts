import {
  add,
  arcStep,
  joinPaths,
  type Path,
  rotate,
  scale,
  subtract,
  normalise,
  type Vec,
} from '../geometry/index.ts';
import { outlineDiscs } from '../ink/index.ts';
import type { Figure } from './figure.ts';

/** Half the angle between the barbs of an arrowhead, radians (25°). */
export const BARB_ANGLE = (25 * Math.PI) / 180;
/** Chords stay this close to curves, points. */
const TOLERANCE = 0.015;

/** The lines a figure consists of, as polylines; a closed one ends where it began. */
export function figureLines(figure: Figure): Vec[][] {
  switch (figure.kind) {
    case 'line':
      return [[figure.from, figure.to]];
    case 'arrow': {
      const back = scale(normalise(subtract(figure.from, figure.to)), figure.head);
      return [
        [figure.from, figure.to],
        [
          add(figure.to, rotate(back, BARB_ANGLE)),
          figure.to,
          add(figure.to, rotate(back, -BARB_ANGLE)),
        ],
      ];
    }
    case 'rectangle':
      return [closed(rectangleCorners(figure))];
    case 'triangle':
      return [closed(figure.corners)];
    case 'circle':
      return [closed(ellipsePoints(figure.centre, figure.radius, figure.radius, 0))];
    case 'ellipse':
      return [closed(ellipsePoints(figure.centre, figure.rx, figure.ry, figure.angle))];
  }
}

/** The filled outline of a figure drawn with a round pen of `width` points. */
export function outlineFigure(figure: Figure, width: number): Path {
  return joinPaths(
    figureLines(figure).map((line) =>
      outlineDiscs(line.map((p) => ({ x: p.x, y: p.y, r: width / 2 }))),
    ),
  );
}

/** Anticlockwise from the corner at (+, +) before turning. */
export function rectangleCorners(r: {
  readonly centre: Vec;
  readonly width: number;
  readonly height: number;
  readonly angle: number;
}): Vec[] {
  const w = r.width / 2;
  const h = r.height / 2;
  return [
    { x: w, y: h },
    { x: -w, y: h },
    { x: -w, y: -h },
    { x: w, y: -h },
  ].map((p) => add(r.centre, rotate(p, r.angle)));
}

function ellipsePoints(centre: Vec, rx: number, ry: number, angle: number): Vec[] {
  const n = Math.max(16, Math.ceil((2 * Math.PI) / arcStep(Math.max(rx, ry), TOLERANCE)));
  return Array.from({ length: n }, (_, k) => {
    const a = (2 * Math.PI * k) / n;
    return add(centre, rotate({ x: rx * Math.cos(a), y: ry * Math.sin(a) }, angle));
  });
}

const closed = (points: readonly Vec[]): Vec[] => [...points, points[0]];

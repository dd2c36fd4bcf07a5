import { add, rotate, subtract, type Vec } from '../geometry/index.ts';
import type { Figure } from './figure.ts';

type Move = (p: Vec) => Vec;

/** The figure moved by `by` points. */
export const moveFigure = (figure: Figure, by: Vec): Figure =>
  carried(figure, (p) => add(p, by), 0);

/** The figure turned by `angle` (radians, anticlockwise) about a point. */
export const turnFigure = (figure: Figure, angle: number, about: Vec): Figure =>
  carried(figure, (p) => add(about, rotate(subtract(p, about), angle)), angle);

/** Every point of the figure carried along by a move that keeps sizes, and every direction turned by `angle`. */
function carried(figure: Figure, move: Move, angle: number): Figure {
  switch (figure.kind) {
    case 'line':
    case 'arrow':
    case 'brace':
    case 'bracket':
      return { ...figure, from: move(figure.from), to: move(figure.to) };
    case 'polyline':
    case 'polygon':
    case 'cloud':
      return { ...figure, corners: figure.corners.map(move) };
    case 'triangle':
    case 'tick': {
      const [a, b, c] = figure.corners;
      return { ...figure, corners: [move(a), move(b), move(c)] };
    }
    case 'parallelogram': {
      const [a, b, c, d] = figure.corners;
      return { ...figure, corners: [move(a), move(b), move(c), move(d)] };
    }
    case 'curve': {
      const [a, b, c, d] = figure.points;
      return { ...figure, points: [move(a), move(b), move(c), move(d)] };
    }
    case 'cross': {
      const [[a, b], [c, d]] = [figure.first, figure.second];
      return { ...figure, first: [move(a), move(b)], second: [move(c), move(d)] };
    }
    case 'arc':
      return { ...figure, centre: move(figure.centre), start: figure.start + angle };
    case 'circle':
      return { ...figure, centre: move(figure.centre) };
    case 'ellipse':
    case 'rectangle':
    case 'square':
    case 'diamond':
    case 'star':
      return { ...figure, centre: move(figure.centre), angle: figure.angle + angle };
  }
}

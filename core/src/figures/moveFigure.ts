import { moveBy, turnAbout, type Vec } from '../geometry/index.ts';
import type { Figure } from './figure.ts';
import { mapFigure } from './mapFigure.ts';

/** The figure moved by `by` points. */
export const moveFigure = (figure: Figure, by: Vec): Figure => mapFigure(figure, moveBy(by));

/** The figure turned by `angle` (radians, anticlockwise) about a point. */
export const turnFigure = (figure: Figure, angle: number, about: Vec): Figure =>
  mapFigure(figure, turnAbout(angle, about));

export { type Figure, type FigureKind, type FigureReading, FIGURE_KINDS } from './figure.ts';
export { readFigure } from './readFigure.ts';
export { figureLines, outlineFigure, rectangleCorners, BARB_ANGLE } from './figurePath.ts';
export { type FittedEllipse, fitEllipse } from './fitEllipse.ts';

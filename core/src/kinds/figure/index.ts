export { type FigureMark, asFigure } from './mark.ts';
export { FIGURE } from './figure.ts';
export { FIGURE_NAMES } from './names.ts';

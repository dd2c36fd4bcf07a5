export { type FigureMark, asFigure, type Tie, untied } from './mark.ts';
export { FIGURE } from './figure.ts';
export { FIGURE_NAMES } from './names.ts';

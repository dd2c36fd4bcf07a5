export { asEquation, type EquationMark } from './mark.ts';
export { EQUATION, equationCorners, equationSize } from './equation.ts';

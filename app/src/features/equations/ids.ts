/** The sheet in which an equation is typed. */
export const EQUATION_SHEET = 'equation';

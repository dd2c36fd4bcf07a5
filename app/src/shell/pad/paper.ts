/** Ink is made for paper, by night too. */
export const PAPER = '#fdfcf8';

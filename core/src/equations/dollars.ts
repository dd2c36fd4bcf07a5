/** A stretch of TeX in a text: from its first dollar sign to behind its last, in units of the text. */
export interface TexInText {
  readonly from: number;
  readonly to: number;
  readonly tex: string;
}

/**
 * TeX between dollar signs, within a line. What is paid is none: no space follows the first sign or stands before the last, no digit follows
 * the last, and a sign behind a backslash is a sign.
 */
const DOLLARS = /(?<![\\$])\$(?![\s$])((?:\\.|[^\\$\n])*?)(?<!\s)\$(?![$\d])/gu;

export const texIn = (text: string): readonly TexInText[] =>
  [...text.matchAll(DOLLARS)].map(({ 0: whole, 1: tex, index }) => ({
    from: index,
    to: index + whole.length,
    tex,
  }));

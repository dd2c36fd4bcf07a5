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

/** Whether TeX has been begun before a place, on its line, and not ended: what is typed there is meant as TeX. */
export function isInTex(text: string, place: number): boolean {
  const line = text.slice(text.lastIndexOf('\n', place - 1) + 1, place);
  const signs = [...line.matchAll(/(?<!\\)\$/gu)];
  const last = signs.at(-1);
  return signs.length % 2 === 1 && last !== undefined && !/^\s/.test(line.slice(last.index + 1));
}

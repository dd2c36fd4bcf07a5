import type { TextTrouble } from '../content/shownFont.ts';

/** Why something that lies beneath cannot be taken out. */
export type RedactTrouble = TextTrouble | 'pattern';

const WORDS: Readonly<Record<RedactTrouble, string>> = {
  type3: 'its letters are drawings that cannot be told apart',
  upright: 'its lines run downwards',
  encoding: 'its letters cannot be told apart',
  widths: 'its letters cannot be told apart',
  forms: 'the page is made of too many pieces',
  pattern: 'it is painted with a pattern',
};

export const troubleInWords = (trouble: RedactTrouble): string =>
  `What lies there cannot be taken out: ${WORDS[trouble]}.`;

/** What lies beneath a bar, or is cut away from a page, cannot be taken out: there is no copy then. */
export class RedactionFailed extends Error {
  override readonly name = 'RedactionFailed';

  constructor(
    /** From 0. */
    readonly page: number,
    readonly trouble: RedactTrouble,
    where: 'bar' | 'cut' = 'bar',
  ) {
    const is = where === 'bar' ? 'There is a bar on' : 'Something is cut away from';
    super(`${is} page ${page + 1}. ${troubleInWords(trouble)} No copy was made.`);
  }
}

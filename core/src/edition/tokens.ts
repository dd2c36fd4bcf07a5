import type { Print } from '../print/index.ts';

/** A word as it is compared: in small letters, without marks around it; whole where a line's end breaks it. */
export interface Token {
  readonly text: string;
  /** The page it is on, from 0. */
  readonly page: number;
  /** The words of the page's print that it is made of: one, or the two that a line's end made of it. */
  readonly words: readonly number[];
  /** At the head or the foot of the page, where every page says the same. */
  readonly running: boolean;
}

const AROUND = /^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu;

/** Words that are compared as the same. */
export const plainWord = (text: string): string =>
  text
    .normalize('NFKC')
    .toLowerCase()
    .replace(/\u00ad/g, '')
    .replace(AROUND, '');

/** The words of pages in reading order; what has neither letter nor digit is none. */
export function tokensOf(pages: readonly Print[]): Token[] {
  return pages.flatMap((print, page) => {
    const { text, words, lines, breaks } = print;
    const broken = new Set(breaks);
    const tokens: Token[] = [];
    for (let k = 0; k < words.length; k++) {
      const { from, to, line } = words[k];
      const running = lines[line]?.running ?? false;
      const next = words[k + 1];
      const isBroken = next !== undefined && next.line !== line && broken.has(to);
      const said = isBroken
        ? text.slice(from, to - 1) + text.slice(next.from, next.to)
        : text.slice(from, to);
      const plain = plainWord(said);
      if (plain !== '')
        tokens.push({ text: plain, page, words: isBroken ? [k, k + 1] : [k], running });
      if (isBroken) k += 1;
    }
    return tokens;
  });
}

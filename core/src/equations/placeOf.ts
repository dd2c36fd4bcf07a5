import type { TexPlace } from './refusal.ts';

/** What of a parser of TeX says how far it has come. */
export interface Reader {
  readonly string: string;
  /** It has read so many units of its text. */
  readonly i: number;
}

/**
 * Where in the TeX a parser stopped. What stands in braces is read by parsers of their own, and commands that stand for others are replaced in the text
 * as it is read; so places are counted from the end, which nobody has touched yet.
 * @param readers from the innermost to that of the whole
 */
export function placeOf(tex: string, readers: readonly Reader[]): TexPlace | null {
  const whole = readers.at(-1);
  if (!whole) return null;
  let end = placeBefore(tex, whole.string.slice(whole.i));
  if (end === null) return null;
  for (const { string, i } of readers.slice(0, -1).reverse()) {
    const begin: number = string === '' ? -1 : tex.lastIndexOf(string, end - string.length);
    if (begin < 0) break;
    end = begin + i;
  }
  return tokenBefore(tex, end);
}

/** Where what is left to read begins, whatever spaces were put in; null where the TeX does not end so. */
function placeBefore(tex: string, left: string): number | null {
  let at = tex.length;
  for (const unit of left.replace(/\s/g, '').split('').reverse()) {
    while (at > 0 && /\s/.test(tex[at - 1])) at--;
    if (at === 0 || tex[at - 1] !== unit) return null;
    at--;
  }
  return at;
}

/** The command or the character that ends at a place. */
function tokenBefore(tex: string, end: number): TexPlace {
  const read = tex.slice(0, end).trimEnd();
  const token = /(?:\\(?:[a-zA-Z]+|.)|.)$/su.exec(read)?.[0] ?? '';
  return { from: read.length - token.length, to: read.length };
}

/** What is opened and never closed, by what the parser calls that: it is met at the end, and wrong at the beginning. */
const PAIRS: Readonly<Record<string, readonly [open: RegExp, close: RegExp]>> = {
  MissingCloseBrace: [/^\{$/, /^\}$/],
  ExtraOpenMissingClose: [/^\{$/, /^\}$/],
  ExtraLeftMissingRight: [/^\\left$/, /^\\right$/],
  EnvMissingEnd: [/^\\begin$/, /^\\end$/],
};

/** The first thing that is opened and never closed; null where that is not what is wrong. */
export function whereOpened(problem: string, tex: string): TexPlace | null {
  const pair = Object.hasOwn(PAIRS, problem) ? PAIRS[problem] : null;
  if (!pair) return null;
  const open: TexPlace[] = [];
  for (const { 0: token, index } of tex.matchAll(/\\(?:[a-zA-Z]+|.)|[{}]/gsu))
    if (pair[0].test(token)) open.push({ from: index, to: index + token.length });
    else if (pair[1].test(token)) open.pop();
  return open[0] ?? null;
}

/** Written from right to left: Hebrew, Arabic and their like, presentation forms too (Unicode, bidirectional classes R and AL). */
const FROM_RIGHT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/u;
const LETTER = /\p{L}/u;
/** What is read from left to right also within writing from right to left. */
const NUMBER = /[\p{Nd}.,:/%+-]+|[\p{Script=Latin}]+/gu;

/** Before these Unicode has nothing that is written from the right. */
export const mayBeFromRight = (code: number): boolean => code >= 0x590;

type Way = 'left' | 'right' | 'either';

export const isFromRight = (code: number): boolean => FROM_RIGHT.test(String.fromCodePoint(code));

/** The side that a word is read from. */
export const wayOf = (word: string): Way =>
  FROM_RIGHT.test(word) ? 'right' : LETTER.test(word) ? 'left' : 'either';

/**
 * Puts what stands on a line from left to right into the order it is read in: the line begins on the side that most of its words
 * do; words of the other way keep their own order among each other.
 */
export function inReadingOrder<W extends { readonly way: Way }>(words: readonly W[]): W[] {
  const ways = words.map(({ way }) => way);
  if (!ways.includes('right')) return [...words];
  const count = (way: Way): number => ways.filter((w) => w === way).length;
  const main: Way = count('right') >= count('left') ? 'right' : 'left';
  const order = words.map((_, k) => k);
  if (main === 'right') order.reverse();
  const other: Way = main === 'right' ? 'left' : 'right';
  // Runs of the other way, with what can be either between them, are turned round.
  for (let a = 0; a < order.length; a++) {
    if (ways[order[a]] !== other) continue;
    let b = a;
    for (let k = a + 1; k < order.length && ways[order[k]] !== main; k++)
      if (ways[order[k]] === other) b = k;
    const run = order.slice(a, b + 1).reverse();
    order.splice(a, run.length, ...run);
    a = b;
  }
  return order.map((k) => words[k]);
}

/** The characters of a word that is read from the right, seen from left to right, in the order they are read in. */
export function lettersFromRight<C>(letters: readonly C[], textOf: (letter: C) => string): C[] {
  const turned = [...letters].reverse();
  const text = turned.map(textOf);
  const starts: number[] = [];
  let at = 0;
  for (const t of text) {
    starts.push(at);
    at += t.length;
  }
  const result = [...turned];
  for (const { 0: run, index } of text.join('').matchAll(NUMBER)) {
    const a = starts.findIndex((s) => s >= index);
    const beyond = starts.findIndex((s) => s >= index + run.length);
    const b = beyond < 0 ? turned.length : beyond;
    result.splice(a, b - a, ...turned.slice(a, b).reverse());
  }
  return result;
}

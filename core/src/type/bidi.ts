/// <reference path="./libraries.d.ts" />
import bidiFactory from 'bidi-js';

const bidi = bidiFactory();

/** Whether anything in a text is read from the right, or says in which direction to read (Unicode 15, DerivedBidiClass.txt). */
const RIGHT_TO_LEFT =
  /[\u0590-\u08ff\u200f\u202a-\u202e\u2066-\u2069\ufb1d-\ufdff\ufe70-\ufefc\u{10800}-\u{10fff}\u{1e800}-\u{1efff}]/u;

/** How deep each unit of a text is embedded; an odd level is read from the right. */
export interface Levels {
  /** All of it is read from the left. */
  readonly isPlain: boolean;
  at(place: number): number;
  /** Of the paragraph that a place is in. */
  ofParagraph(place: number): number;
}

/** By the Unicode Bidirectional Algorithm (UAX #9). */
export function levelsOf(text: string, direction?: 'ltr' | 'rtl'): Levels {
  if (direction !== 'rtl' && !RIGHT_TO_LEFT.test(text))
    return { isPlain: true, at: () => 0, ofParagraph: () => 0 };
  const { levels, paragraphs } = bidi.getEmbeddingLevels(text, direction);
  return {
    isPlain: false,
    at: (place) => levels[place],
    ofParagraph: (place) =>
      paragraphs.find(({ start, end }) => place >= start && place <= end)?.level ??
      (direction === 'rtl' ? 1 : 0),
  };
}

/** Brackets and the like as they are read from the right. */
export const mirrored = (text: string): string =>
  [...text].map((char) => bidi.getMirroredCharacter(char) ?? char).join('');

/** From left to right (UAX #9, rule L2): from the highest level down, what is not lower is turned round. */
export function reordered<T extends { readonly level: number }>(parts: readonly T[]): T[] {
  const row = [...parts];
  let highest = 0;
  for (const { level } of row) highest = Math.max(highest, level);
  for (let level = highest; level > 0; level--)
    for (let i = 0; i < row.length; i++) {
      let end = i;
      while (end < row.length && row[end].level >= level) end++;
      if (end > i) row.splice(i, end - i, ...row.slice(i, end).reverse());
      i = Math.max(i, end);
    }
  return row;
}

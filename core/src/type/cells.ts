import { beginsLetter } from './letters.ts';
import { type LineEnds, NEW_LINE } from './lineEnds.ts';
import type { Piece } from './pieces.ts';

/** Letters in cells are no words: a line may end after each. */
export const endsOfLetters = (text: string): LineEnds => {
  const must = (place: number): boolean => place > 0 && NEW_LINE.test(text[place - 1]);
  return { may: (place) => must(place) || beginsLetter(text, place), must };
};

/** A letter in the middle of its cell. */
export function inCell(piece: Piece, cell: number): Piece {
  const { shaped, size } = piece;
  const wide = cell / size;
  const [first, ...others] = shaped.glyphs;
  if (!first) return { ...piece, width: cell };
  const by = (wide - shaped.width) / 2;
  const glyphs = [first, ...others].map((glyph) => ({ ...glyph, dx: glyph.dx + by }));
  const last = glyphs[glyphs.length - 1];
  glyphs[glyphs.length - 1] = { ...last, advance: last.advance + wide - shaped.width };
  return { ...piece, width: cell, shaped: { glyphs, width: wide } };
}

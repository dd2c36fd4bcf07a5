import { accented, mayBeAccent } from './accents.ts';
import { inReadingOrder, lettersFromRight, mayBeFromRight, wayOf } from './direction.ts';
import { type Glyphs, isSpace } from './glyphs.ts';
import type { Piece } from './pieces.ts';

/** A character of a word as it is read. */
export interface Sign {
  /** What it says: one character, or the letters of a ligature. */
  readonly text: string;
  /** The glyph it is drawn as. */
  readonly glyph: number;
}

/** Signs between which there is no space, in the order they are read in. */
export type SignWord = readonly Sign[];

/** Between two characters so far from each other is a space, in shares of the size of type … */
const SPACE = 0.11;
/** … and on a line that is set tightly where they are this share of its usual spaces apart, though never nearer than that. */
const TIGHT = 0.5;
const LEAST_SPACE = 0.06;
/** Where the file draws a space nearly no distance is enough; some files draw one and step back over it. */
const DRAWN_SPACE = 0.03;
/** Letters that join leave room where they do not: on a line whose spaces are drawn these are words only where they are so far apart. */
const UNJOINED = 0.5;
/** What is surely a space. */
const SURE = 0.15;

/** The words of a line, in the order they are read in. */
export function wordsOf(line: Piece, glyphs: Glyphs): SignWord[] {
  const { codes } = glyphs.raw;
  if (!line.glyphs.some((glyph) => mayBeFromRight(codes[glyph])))
    return seenWords(line.glyphs, glyphs, false);
  const drawsSpaces = line.glyphs.some((glyph) => isSpace(codes[glyph]));
  const words = seenWords(line.glyphs, glyphs, drawsSpaces).map((signs) => ({
    signs,
    way: wayOf(signs.map(({ text }) => text).join('')),
  }));
  return inReadingOrder(words).map(({ signs, way }) =>
    way === 'right' ? lettersFromRight(signs, ({ text }) => text) : signs,
  );
}

/** The words as they are seen from one side of the line to the other; where it draws its spaces, letters that join leave room otherwise. */
function seenWords(along: readonly number[], glyphs: Glyphs, joinsApart: boolean): SignWord[] {
  const { from, to, raw } = glyphs;
  const least = leastSpace(along, glyphs);
  const words: Sign[][] = [];
  let word: Sign[] = [];
  let end = -Infinity;
  let last = 0;
  let isSpaced = false;
  for (const glyph of along) {
    const code = raw.codes[glyph];
    if (isSpace(code)) {
      isSpaced = true;
      continue;
    }
    const gap = from[glyph] - end;
    const areJoining = joinsApart && mayLeaveRoom(last, code);
    const apart = isSpaced ? DRAWN_SPACE : areJoining ? UNJOINED : least;
    const isNew = gap > apart * raw.sizes[glyph];
    const before = last;
    last = code;
    isSpaced = false;
    if (isNew) {
      word = [];
      words.push(word);
    }
    const isPlain = !mayBeAccent(code) && !mayBeAccent(before);
    if (isPlain || !withAccent(word, glyph, glyphs)) word.push({ text: textOf(code), glyph });
    end = isNew ? to[glyph] : Math.max(end, to[glyph]);
  }
  return words;
}

/** Arabic and Syriac letters, as such or as they are drawn (Unicode, blocks). */
const joins = (code: number): boolean =>
  (code >= 0x600 && code <= 0x77f) || (code >= 0xfb50 && code <= 0xfefc);

const STOPS = new Set([...'.,:;!?\u060c\u061b\u061f'].map((stop) => stop.codePointAt(0)));

/** Whether room between two characters beside each other may be that of letters which do not join: between them, and to a stop. */
const mayLeaveRoom = (a: number, b: number): boolean =>
  joins(a) ? joins(b) || STOPS.has(b) : joins(b) && STOPS.has(a);

/** How far apart words are at least on a line, in shares of the size of type. */
function leastSpace(along: readonly number[], { from, to, raw }: Glyphs): number {
  const sure: number[] = [];
  for (let k = 1; k < along.length; k++) {
    const b = along[k];
    const gap = (from[b] - to[along[k - 1]]) / raw.sizes[b];
    if (gap > SURE) sure.push(gap);
  }
  if (sure.length === 0) return SPACE;
  sure.sort((a, b) => a - b);
  return Math.min(SPACE, Math.max(LEAST_SPACE, TIGHT * sure[sure.length >> 1]));
}

/** Puts an accent and the letter it stands over into one sign, whichever is drawn first; false where there are not both. */
function withAccent(word: Sign[], glyph: number, glyphs: Glyphs): boolean {
  const before = word[word.length - 1];
  if (!before) return false;
  const second = glyphs.raw.codes[glyph];
  if (!isOver(before.glyph, glyph, glyphs) && !isOver(glyph, before.glyph, glyphs)) return false;
  const [a, b] = [before.text, textOf(second)];
  const [letter, mark] = [accented(a, b), accented(b, a)];
  if (letter !== null) word[word.length - 1] = { text: letter, glyph: before.glyph };
  else if (mark !== null) word[word.length - 1] = { text: mark, glyph };
  else return false;
  return true;
}

/** Whether the middle of one character lies within what the other takes of the line. */
function isOver(accent: number, letter: number, { from, to }: Glyphs): boolean {
  const middle = (from[accent] + to[accent]) / 2;
  return middle > from[letter] && middle < to[letter];
}

/** Characters up to here are nearly all of most books (Unicode, Latin Extended-A). */
const MOST_USED = Array.from({ length: 0x180 }, (_, code) => String.fromCharCode(code));

/** Latin ligatures and the like are the letters they are made of; other characters are what they are. */
function textOf(code: number): string {
  if (code < MOST_USED.length) return MOST_USED[code];
  const text = String.fromCodePoint(code);
  const isLigature = (code >= 0xfb00 && code <= 0xfb06) || (code >= 0xfb50 && code <= 0xfefc);
  return isLigature ? text.normalize('NFKC') : text;
}

import type { Levels } from './bidi.ts';
import type { EquationOutline } from '../equations/index.ts';
import { faceOfScript, fallbacksFor } from './chooseFaces.ts';
import type { Face, Fonts } from './face.ts';
import type { FaceName } from './faces.ts';
import { beginsLetter, LETTER } from './letters.ts';
import type { LineEnds } from './lineEnds.ts';
import { shape, type Shaped } from './shaping.ts';

/** Text of one face and size. */
export interface LetteredSpan {
  readonly text: string;
  readonly face: FaceName;
  /** Points. */
  readonly size: number;
  /** All of it is this equation. */
  readonly equation?: EquationOutline;
}

/** A word, a part of one, or the space between two: of one span, face and direction, shaped. */
export interface Piece {
  readonly span: number;
  readonly face: Face;
  readonly size: number;
  readonly level: number;
  readonly from: number;
  readonly to: number;
  readonly isSpace: boolean;
  /** Points. */
  readonly width: number;
  readonly shaped: Shaped;
  /** What stands for its text, in ems of its size; it has no glyphs then. */
  readonly equation?: EquationOutline;
}

/** What of a word stands in one face. */
interface Stretch {
  readonly text: string;
  readonly face: FaceName;
}

const SPACE = /^\s/u;
/** Longer words are shaped in parts: nobody writes any, and what is pasted may be one. */
const LONGEST = 64;
/** What has neither marks nor another script needs no looking. */
const PLAIN = /^[\x20-\x7e\u00a0-\u017f]+$/;

/** Cuts spans in pieces, and tells of the characters that no face has. */
export class Cutter {
  readonly missing = new Set<string>();
  private readonly plain = new Map<string, boolean>();

  constructor(private readonly fonts: Fonts) {}

  /** Adds the pieces of a span that begins at `at`; no equation is wider than `width`. */
  cutInto(
    pieces: Piece[],
    { text, face, size, equation }: LetteredSpan,
    span: number,
    at: number,
    {
      levels,
      ends,
      width,
    }: { readonly levels: Levels; readonly ends: LineEnds; readonly width: number },
  ): void {
    const own = equation && this.fonts.face(face);
    if (own) {
      const small = Math.min(size, width / equation.width);
      const piece = pieceOf(span, own, small, levels.at(at), at, '', false);
      pieces.push({ ...piece, to: at + text.length, width: small * equation.width, equation });
      return;
    }
    let before: FaceName | undefined;
    const words = /\n|[^\S\n]+|\S+/g;
    for (let match = words.exec(text); match; match = words.exec(text)) {
      const [word] = match;
      const isSpace = SPACE.test(word);
      let begin = at + match.index;
      for (const part of this.inOneFace(word, face, before)) {
        before = part.face;
        const end = begin + part.text.length;
        const loaded = this.fonts.face(part.face);
        for (let from = begin; loaded && from < end;) {
          const level = levels.at(from);
          let to = from + 1;
          while (
            to < end &&
            !ends.may(to) &&
            (levels.isPlain || levels.at(to) === level) &&
            (to - from < LONGEST || !beginsLetter(part.text, to - begin))
          )
            to++;
          const said = part.text.slice(from - begin, to - begin);
          pieces.push(pieceOf(span, loaded, size, level, from, said, isSpace));
          from = to;
        }
        begin = end;
      }
    }
  }

  /** A word in stretches of one face. */
  private inOneFace(word: string, wanted: FaceName, before: FaceName | undefined): Stretch[] {
    if (this.isPlain(word, wanted, before)) return [{ text: word, face: wanted }];
    const parts: { text: string; face: FaceName }[] = [];
    for (const [cluster] of word.matchAll(LETTER)) {
      const last = parts.at(-1);
      const face = this.faceOf(cluster, wanted, last?.face ?? before);
      if (last?.face === face) last.text += cluster;
      else parts.push({ text: cluster, face });
    }
    return parts;
  }

  private isPlain(word: string, wanted: FaceName, before: FaceName | undefined): boolean {
    if (!PLAIN.test(word)) return false;
    if (before && before !== wanted && SPACE.test(word)) return false;
    const key = `${wanted} ${word}`;
    let plain = this.plain.get(key);
    if (plain === undefined) {
      const face = this.fonts.face(wanted);
      plain = face !== null && [...word].every((char) => face.has(char.codePointAt(0) ?? 0));
      this.plain.set(key, plain);
    }
    return plain;
  }

  /** A letter and its marks stand in one face; spaces and signs stay with the face before them, where it has them. */
  private faceOf(cluster: string, wanted: FaceName, before: FaceName | undefined): FaceName {
    if (/^[\n\r\t]/.test(cluster)) return before ?? wanted;
    const codePoints = [...cluster].map((char) => char.codePointAt(0) ?? 0);
    const own = faceOfScript(codePoints[0], wanted);
    const joins = before && /^[\p{Cf}\s]/u.test(cluster);
    const others = fallbacksFor(wanted, this.fonts.own);
    const names = joins ? [before, own, wanted, ...others] : [own, wanted, ...others];
    const has = (name: FaceName, some: readonly number[]): boolean => {
      const face = this.fonts.face(name);
      return face !== null && some.every((codePoint) => face.has(codePoint));
    };
    const whole = names.find((name) => has(name, codePoints));
    if (whole) return whole;
    const letter = names.find((name) => has(name, codePoints.slice(0, 1)));
    for (const char of cluster)
      if (!/\p{Cf}/u.test(char) && !has(letter ?? own, [char.codePointAt(0) ?? 0]))
        this.missing.add(char);
    return letter ?? own;
  }
}

function pieceOf(
  span: number,
  face: Face,
  size: number,
  level: number,
  from: number,
  text: string,
  isSpace: boolean,
): Piece {
  const shaped = shape(face, text, level % 2 === 1);
  const [to, width] = [from + text.length, shaped.width * size];
  return { span, face, size, level, from, to, isSpace, width, shaped };
}

const partOf = ({ span, face, size, level, isSpace }: Piece, from: number, text: string): Piece =>
  pieceOf(span, face, size, level, from, text, isSpace);

/**
 * The part of a piece that is no wider than `room`, of whole letters, and the rest; null in place of a part that is
 * empty.
 */
export function splitPiece(
  piece: Piece,
  text: string,
  room: number,
): readonly [Piece | null, Piece | null] {
  if (piece.equation) return piece.width > room ? [null, piece] : [piece, null];
  const own = text.slice(piece.from, piece.to);
  let fits: Piece | null = null;
  for (const cluster of own.matchAll(LETTER)) {
    const to = piece.from + cluster.index + cluster[0].length;
    const part = partOf(piece, piece.from, own.slice(0, to - piece.from));
    if (part.width > room) break;
    fits = part;
  }
  if (!fits) return [null, piece];
  if (fits.to === piece.to) return [fits, null];
  return [fits, partOf(piece, fits.to, own.slice(fits.to - piece.from))];
}

/** The first letter of a piece, and the rest. */
export function firstLetter(piece: Piece, text: string): readonly [Piece, Piece | null] {
  if (piece.equation) return [piece, null];
  const own = text.slice(piece.from, piece.to);
  const length = own.match(LETTER)?.[0].length ?? own.length;
  const to = piece.from + length;
  const first = partOf(piece, piece.from, own.slice(0, length));
  return [first, to < piece.to ? partOf(piece, to, own.slice(length)) : null];
}

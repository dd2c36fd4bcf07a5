import { type Glyphs, isSpace } from './glyphs.ts';

/** What is taken across the line, v. */
export interface Band {
  readonly foot: number;
  readonly head: number;
}

/** Characters that stand on one line beside each other, in one direction; spaces that the file draws among them. */
export interface Piece {
  readonly frame: number;
  /** Numbers of characters, in the order of the file, then in that of the line. */
  glyphs: number[];
  /** Of what is seen of it, in its frame. */
  from: number;
  to: number;
  foot: number;
  head: number;
  /** Of its largest type: its size, where it stands, and what it takes across the line. */
  size: number;
  base: number;
  band: Band;
  /** What most of it is set in; see {@link mostlyIn}. */
  face: number;
}

/** Characters join a piece that they overlap in height by this share of the lower of both … */
const LEVEL = 0.5;
/** … and from which they are no farther, in shares of the size of type: what is farther stands in another column. */
const NEAR = 1.15;
/** What goes back over a piece by more than this begins another. */
const BACK = 0.6;

/** Follows the characters in the order of the file, and begins another piece wherever they leave the line. */
export function piecesOf(glyphs: Glyphs): Piece[] {
  const pieces: Piece[] = [];
  let piece: Piece | null = null;
  let last = 0;
  for (let i = 0; i < glyphs.raw.codes.length; i++) {
    if (isSpace(glyphs.raw.codes[i])) {
      // One at the beginning of a line, or on another one, says nothing.
      if (piece && piece.frame === glyphs.frame[i]) piece.glyphs.push(i);
      continue;
    }
    if (!(glyphs.raw.sizes[i] > 0) || !Number.isFinite(glyphs.from[i] + glyphs.base[i])) continue;
    if (piece && continues(piece, glyphs, last, i)) add(piece, glyphs, i);
    else {
      piece = begin(glyphs, i);
      pieces.push(piece);
    }
    last = i;
  }
  return pieces;
}

function begin(glyphs: Glyphs, i: number): Piece {
  const { frame, from, to, foot, head, base, raw } = glyphs;
  return {
    frame: frame[i],
    glyphs: [i],
    from: from[i],
    to: to[i],
    foot: foot[i],
    head: head[i],
    size: raw.sizes[i],
    base: base[i],
    band: { foot: foot[i], head: head[i] },
    face: raw.faces[i],
  };
}

function add(piece: Piece, { from, to, foot, head, base, raw }: Glyphs, i: number): void {
  piece.glyphs.push(i);
  piece.from = Math.min(piece.from, from[i]);
  piece.to = Math.max(piece.to, to[i]);
  piece.foot = Math.min(piece.foot, foot[i]);
  piece.head = Math.max(piece.head, head[i]);
  if (raw.sizes[i] <= piece.size) return;
  piece.size = raw.sizes[i];
  piece.base = base[i];
  piece.band = { foot: foot[i], head: head[i] };
}

function continues(piece: Piece, glyphs: Glyphs, last: number, i: number): boolean {
  const { frame, from, to, foot, head, raw } = glyphs;
  if (piece.frame !== frame[i]) return false;
  const { band } = piece;
  const onLine = areLevel(band.foot, band.head, foot[i], head[i]);
  if (!onLine && !areLevel(foot[last], head[last], foot[i], head[i])) return false;
  const size = Math.max(piece.size, raw.sizes[i]);
  const gap = Math.max(from[i] - piece.to, piece.from - to[i]);
  return gap < NEAR * size && gap > -BACK * size;
}

/** The face that most of some characters are set in. */
export function mostlyIn(characters: readonly number[], { raw }: Glyphs): number {
  const first = raw.faces[characters[0]];
  if (characters.every((i) => raw.faces[i] === first)) return first;
  const count = new Map<number, number>();
  for (const i of characters) count.set(raw.faces[i], (count.get(raw.faces[i]) ?? 0) + 1);
  return [...count].reduce((most, next) => (next[1] > most[1] ? next : most), [0, 0])[0];
}

/** Whether two stand on one line, as a raised number does with its word. */
export const isLevel = (a: Band, b: Band): boolean => areLevel(a.foot, a.head, b.foot, b.head);

function areLevel(footA: number, headA: number, footB: number, headB: number): boolean {
  const shared = Math.min(headA, headB) - Math.max(footA, footB);
  return shared > LEVEL * Math.min(headA - footA, headB - footB);
}

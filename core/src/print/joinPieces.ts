import type { Glyphs } from './glyphs.ts';
import { isLevel, mostlyIn, type Piece } from './pieces.ts';

/** Pieces that a file draws one here, one there are one line when no more than this is between them, in sizes of type. */
const BESIDE = 0.6;
/** They do not overlap by more. */
const OVER = 0.4;
/** Type of one line differs by no more. */
const MOST_UNLIKE = 2.2;

/** Joins the pieces of one line that the file does not draw one after the other; the pieces themselves become the lines. */
export function joinPieces(pieces: readonly Piece[], glyphs: Glyphs): Piece[] {
  const sorted = [...pieces].sort(
    (a, b) => a.frame - b.frame || b.base - a.base || a.from - b.from,
  );
  const lines: Piece[] = [];
  for (const piece of sorted) {
    const line = lineFor(piece, lines);
    if (line) take(line, piece);
    else lines.push(piece);
  }
  for (const line of lines) {
    sortAlong(line, glyphs);
    line.face = mostlyIn(line.glyphs, glyphs);
  }
  return lines;
}

/** The line that the piece goes on, of those that stand no higher than it may. */
function lineFor(piece: Piece, lines: readonly Piece[]): Piece | null {
  for (let k = lines.length - 1; k >= 0; k--) {
    const line = lines[k];
    if (line.frame !== piece.frame || line.base - piece.base > 2 * Math.max(line.size, piece.size))
      break;
    const size = Math.min(line.size, piece.size);
    if (Math.max(line.size, piece.size) > MOST_UNLIKE * size) continue;
    if (!isLevel(line.band, piece.band)) continue;
    const gap = Math.max(piece.from - line.to, line.from - piece.to);
    if (gap < BESIDE * size && gap > -OVER * size) return line;
  }
  return null;
}

function take(line: Piece, piece: Piece): void {
  line.glyphs.push(...piece.glyphs);
  line.from = Math.min(line.from, piece.from);
  line.to = Math.max(line.to, piece.to);
  line.foot = Math.min(line.foot, piece.foot);
  line.head = Math.max(line.head, piece.head);
  if (piece.size <= line.size) return;
  line.size = piece.size;
  line.base = piece.base;
  line.band = piece.band;
}

/** In the order in which they are seen along the line, whichever way it is read. */
function sortAlong({ glyphs }: Piece, { from, to }: Glyphs): void {
  let before = -Infinity;
  for (const glyph of glyphs) {
    // Twice its middle.
    const here = from[glyph] + to[glyph];
    if (here < before) {
      glyphs.sort((a, b) => from[a] + to[a] - from[b] - to[b]);
      return;
    }
    before = here;
  }
}

import { type LineEnds, NEW_LINE } from './lineEnds.ts';
import { firstLetter, type Piece, splitPiece } from './pieces.ts';

/** Sums of widths are no better than this, points. */
const CLOSE = 1e-6;

/** What stands on one line: its pieces without the spaces at its end, and the units of the text from the first to the last of them. */
export interface Row {
  readonly pieces: readonly Piece[];
  readonly from: number;
  readonly to: number;
}

/** Fills line after line. */
export function rowsOf(
  all: readonly Piece[],
  text: string,
  { width, indent }: { readonly width: number; readonly indent: number },
  ends: LineEnds,
): Row[] {
  const rows: Row[] = [];
  /** What comes next stands at the end. */
  const coming = [...all].reverse();
  let row: Piece[] = [];
  /** Of the row, from where the next line could begin; its width. */
  let breakAt = 0;
  let filled = indent;
  let from = 0;
  const close = (end: number): void => {
    rows.push(trimmed(row, from));
    from = end;
    row = [];
    breakAt = filled = 0;
  };
  for (let piece = coming.pop(); piece; piece = coming.pop()) {
    if (!piece.isSpace && filled + piece.width > width + CLOSE) {
      if (breakAt > 0) {
        const next = row.splice(breakAt);
        coming.push(piece, ...next.reverse());
        close(next.at(-1)?.from ?? piece.from);
        continue;
      }
      if (row.length === 0 && filled > 0) {
        coming.push(piece);
        close(piece.from);
        continue;
      }
      let [fits, rest] = splitPiece(piece, text, width - filled + CLOSE);
      if (!fits && row.length === 0) [fits, rest] = firstLetter(piece, text);
      if (rest) coming.push(rest);
      if (fits) row.push(fits);
      if (rest) close(rest.from);
      else if (fits) filled += fits.width;
      continue;
    }
    row.push(piece);
    filled += piece.width;
    if (ends.must(piece.to)) close(piece.to);
    else if (ends.may(piece.to)) breakAt = row.length;
  }
  if (row.length > 0 || text === '' || NEW_LINE.test(text[text.length - 1])) close(text.length);
  return rows;
}

function trimmed(row: readonly Piece[], from: number): Row {
  let end = row.length;
  while (end > 0 && row[end - 1].isSpace) end--;
  const pieces = row.slice(0, end);
  return { pieces, from, to: pieces.at(-1)?.to ?? from };
}

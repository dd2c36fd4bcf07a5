import { moveBy, thenMatrix } from '../geometry/index.ts';
import { levelsOf, reordered } from './bidi.ts';
import type { Fonts } from './face.ts';
import type { GlyphRun, PlacedGlyph } from './glyphRun.ts';
import { endsOfLines, type LineEnds, NEW_LINE } from './lineEnds.ts';
import { Cutter, firstLetter, type LetteredSpan, type Piece, splitPiece } from './pieces.ts';
import type { Alignment } from './textBlock.ts';

/** How the lines of a text stand. */
export interface LineStyle {
  /** From baseline to baseline, of the size. */
  readonly leading: number;
  readonly align: Alignment;
  /** So far in the first line begins, points. */
  readonly indent?: number;
  /** By the first letter of each paragraph when left out. */
  readonly direction?: 'ltr' | 'rtl';
}

/** Glyphs of one span that stand side by side. */
export interface SetRun extends GlyphRun {
  readonly span: number;
}

/** A line of set text: its runs, left to right, with their own places. */
export interface SetLine {
  readonly runs: readonly SetRun[];
  readonly width: number;
  /** Distance of the baseline from the top of the text, points. */
  readonly baseline: number;
  /** Which characters of the text stand on it. */
  readonly from: number;
  readonly to: number;
}

/** Text set in lines from its top left corner (origin), y up: what is drawn has negative y. */
export interface SetText {
  readonly lines: readonly SetLine[];
  /** The widest line. */
  readonly width: number;
  readonly height: number;
  /** Characters that no loaded face has. */
  readonly missing: readonly string[];
}

/** On the grid that copies are written on. */
const onGrid = (x: number): number => Math.round(x * 100) / 100;
/** Sums of widths are no better than this, points. */
const CLOSE = 1e-6;

/** What stands on one line: its pieces without the spaces at its end, and the units of the text from the first to the last of them. */
interface Row {
  readonly pieces: readonly Piece[];
  readonly from: number;
  readonly to: number;
}

/**
 * Sets spans of text in lines no wider than `width` points (one line a paragraph where that is infinite): right to left where
 * the script is, kerned, with ligatures. Lines end where UAX #14 lets them; a word that is wider than a line is cut.
 */
export function setSpans(
  spans: readonly LetteredSpan[],
  { leading, align, direction, indent = 0 }: LineStyle,
  width: number,
  fonts: Fonts,
): SetText {
  const text = spans.map((span) => span.text).join('');
  const levels = levelsOf(text, direction);
  const cutter = new Cutter(fonts);
  const ends = endsOfLines(text);
  const pieces: Piece[] = [];
  let at = 0;
  spans.forEach((span, k) => {
    cutter.cutInto(pieces, span, k, at, { levels, ends });
    at += span.text.length;
  });
  const rows = rowsOf(pieces, text, { width, indent }, ends);
  const lines: { line: SetLine; from: number }[] = [];
  let top = 0;
  let widest = 0;
  const heights = new Heights(spans, leading, fonts);
  for (const row of rows) {
    const { above, below } = heights.of(row, text.length);
    const set = runsOf(row, text);
    lines.push({ line: { ...set, ...endsOf(row), baseline: onGrid(top + above) }, from: row.from });
    top += above + below;
    widest = Math.max(widest, set.width);
  }
  const room = Number.isFinite(width) ? width : widest;
  return {
    lines: lines.map(({ line, from }, k) =>
      placed(line, align, levels.ofParagraph(from) % 2 === 0, room, k === 0 ? indent : 0),
    ),
    width: widest,
    height: top,
    missing: [...cutter.missing],
  };
}

const endsOf = ({ from, to }: Row): Pick<SetLine, 'from' | 'to'> => ({ from, to });

/** A line moved to its side and its height. */
function placed(
  line: SetLine,
  align: Alignment,
  fromLeft: boolean,
  room: number,
  indent: number,
): SetLine {
  const isLeft = (align === 'start') === fromLeft;
  const free = room - indent - line.width;
  const x = (align === 'centre' ? free / 2 : isLeft ? 0 : free) + (fromLeft ? indent : 0);
  const by = moveBy({ x: onGrid(x), y: -line.baseline });
  return { ...line, runs: line.runs.map((run) => ({ ...run, place: thenMatrix(run.place, by) })) };
}

/** Fills line after line. */
function rowsOf(
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

/** How much a line takes above and below its baseline, as each of its sizes wants it. */
class Heights {
  private readonly bySpan: readonly { above: number; below: number }[];
  private readonly ends: readonly number[];

  constructor(spans: readonly LetteredSpan[], leading: number, fonts: Fonts) {
    let end = 0;
    this.ends = spans.map(({ text }) => (end += text.length));
    this.bySpan = spans.map(({ face, size }) => {
      const { ascent = 0.95, descent = 0.25 } = fonts.face(face) ?? {};
      const extra = (leading - ascent - descent) / 2;
      return { above: size * (ascent + extra), below: size * (descent + extra) };
    });
  }

  of({ pieces, from }: Row, length: number): { above: number; below: number } {
    let [above, below] = [-Infinity, -Infinity];
    const take = (span: number): void => {
      above = Math.max(above, this.bySpan[span].above);
      below = Math.max(below, this.bySpan[span].below);
    };
    let last = -1;
    for (const { span } of pieces) if (span !== last) take((last = span));
    // An empty line is as high as what would be typed there.
    if (last < 0) {
      const here = this.ends.findIndex((end) => end > Math.min(from, length - 1));
      take(here < 0 ? this.ends.length - 1 : here);
    }
    return { above, below };
  }
}

/** The runs of a line from left to right, at height 0. */
function runsOf({ pieces }: Row, text: string): Pick<SetLine, 'runs' | 'width'> {
  const runs: SetRun[] = [];
  let x = 0;
  const row = reordered(pieces);
  for (let k = 0; k < row.length;) {
    const { face, size, level, span } = row[k];
    let { from, to } = row[k];
    const glyphs: PlacedGlyph[] = [];
    let width = 0;
    for (; k < row.length; k++) {
      const piece = row[k];
      if (piece.face !== face || piece.span !== span || piece.level !== level) break;
      for (const { id, text: said, advance, dx, dy } of piece.shaped.glyphs) {
        glyphs.push({ id, text: said, x: onGrid((width + dx) * size), y: onGrid(dy * size) });
        width += advance;
      }
      from = Math.min(from, piece.from);
      to = Math.max(to, piece.to);
    }
    runs.push({
      span,
      face: face.name,
      size,
      place: moveBy({ x: onGrid(x), y: 0 }),
      glyphs,
      width: width * size,
      ascent: face.ascent * size,
      descent: face.descent * size,
      text: text.slice(from, to),
      rightToLeft: level % 2 === 1,
    });
    x += width * size;
  }
  return { runs, width: x };
}

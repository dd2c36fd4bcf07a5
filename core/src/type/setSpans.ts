import { moveBy, thenMatrix } from '../geometry/index.ts';
import type { EquationOutline } from '../equations/index.ts';
import { levelsOf, reordered } from './bidi.ts';
import { endsOfLetters, inCell } from './cells.ts';
import type { Fonts } from './face.ts';
import type { GlyphRun, PlacedGlyph } from './glyphRun.ts';
import { endsOfLines } from './lineEnds.ts';
import { LineHeights } from './lineHeights.ts';
import { Cutter, type LetteredSpan, type Piece } from './pieces.ts';
import { type Row, rowsOf } from './rows.ts';
import type { Alignment } from './textBlock.ts';

/** How the lines of a text stand. */
export interface LineStyle {
  /** From baseline to baseline, of the size. */
  readonly leading: number;
  readonly align: Alignment;
  /** So far in the first line begins, points. */
  readonly indent?: number;
  /** Each letter stands in the middle of a cell of this width, points. */
  readonly cell?: number;
  /** By the first letter of each paragraph when left out. */
  readonly direction?: 'ltr' | 'rtl';
}

/** Glyphs of one span that stand side by side. */
export interface SetRun extends GlyphRun {
  readonly span: number;
  /** Drawn in place of glyphs, in ems of its size. */
  readonly equation?: EquationOutline;
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
/**
 * Sets spans of text in lines no wider than `width` points (one line a paragraph where that is infinite): right to left where
 * the script is, kerned, with ligatures. Lines end where UAX #14 lets them; a word that is wider than a line is cut.
 */
export function setSpans(
  spans: readonly LetteredSpan[],
  { leading, align, direction, indent = 0, cell = 0 }: LineStyle,
  width: number,
  fonts: Fonts,
): SetText {
  const text = spans.map((span) => span.text).join('');
  const levels = levelsOf(text, direction);
  const cutter = new Cutter(fonts);
  const ends = cell > 0 ? endsOfLetters(text) : endsOfLines(text);
  const pieces: Piece[] = [];
  let at = 0;
  spans.forEach((span, k) => {
    cutter.cutInto(pieces, span, k, at, { levels, ends, width });
    at += span.text.length;
  });
  const parts = cell > 0 ? pieces.map((piece) => inCell(piece, cell)) : pieces;
  const rows = rowsOf(parts, text, { width, indent }, ends);
  const lines: SetLine[] = [];
  let top = 0;
  let widest = 0;
  const heights = new LineHeights(spans, leading, fonts);
  for (const row of rows) {
    const { above, below } = heights.of(row, text.length);
    const set = runsOf(row, text, cell > 0);
    lines.push({ ...set, from: row.from, to: row.to, baseline: onGrid(top + above) });
    top += above + below;
    widest = Math.max(widest, set.width);
  }
  const room = Number.isFinite(width) ? width : widest;
  return {
    lines: lines.map((line, k) =>
      placed(line, align, levels.ofParagraph(line.from) % 2 === 0, room, k === 0 ? indent : 0),
    ),
    width: widest,
    height: top,
    missing: [...cutter.missing],
  };
}

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

/** The runs of a line from left to right, at height 0. */
function runsOf({ pieces }: Row, text: string, inCells: boolean): Pick<SetLine, 'runs' | 'width'> {
  const runs: SetRun[] = [];
  let x = 0;
  const row = reordered(pieces);
  for (let k = 0; k < row.length;) {
    const { face, size, level, span, equation } = row[k];
    let { from, to } = row[k];
    const glyphs: PlacedGlyph[] = [];
    let width = 0;
    for (; k < row.length; k++) {
      const piece = row[k];
      if (piece.face !== face || piece.span !== span || piece.level !== level) break;
      if (piece.equation) width = piece.width / size;
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
      ...(inCells ? { inCells } : {}),
      ...(equation ? { equation } : {}),
    });
    x += width * size;
  }
  return { runs, width: x };
}

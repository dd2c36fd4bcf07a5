import {
  displayMatrix,
  invertMatrix,
  type PageBox,
  transform,
  type Vec,
} from '../geometry/index.ts';
import type { TextInstrument } from '../marks/index.ts';
import type { AnswerLine } from '../print/index.ts';

/** A box whose lines stand on printed ones, or whose letters in printed cells; see `NewText`. */
export interface AnswerBox {
  readonly at: Vec;
  readonly angle: number;
  readonly width: number;
  readonly indent: number;
  /** Of its lines, where the instrument's boxes keep their height. */
  readonly height: number;
  readonly instrument: TextInstrument;
}

/** How far letters of a face reach above and below what they stand on, of their size. */
export interface FaceHeights {
  readonly ascent: number;
  readonly descent: number;
}

/** Letters take this share of the room above their line; they are no smaller than this, and no larger than the larger of these and the instrument's, points. */
const SHARE = 0.58;
const SMALLEST = 6;
const LARGEST = 14;
/** More room than this says nothing about how large one writes, points. */
const TALL = 40;
/** Letters stand above a line by this share of their size, so that it does not cut them, and begin so far in, points. */
const LIFT = 0.13;
const INSET = 2;
/** Lines that begin within this of each other begin alike, points. */
const ALIKE = 1;

/** Letters in cells are so large, of the cells' height and of their width, and their capitals so high, of the size. */
const CELL_HEIGHT = 0.72;
const CELL_WIDTH = 1.15;
const CAPITALS = 0.7;

/** Sizes go in steps, points. */
const stepped = (size: number): number => Math.floor(2 * size) / 2;

export function answerSize(room: number, own: number): number {
  if (room >= TALL) return own;
  return Math.max(SMALLEST, Math.min(stepped(SHARE * room), Math.max(LARGEST, own)));
}

/**
 * A text box on printed lines: its letters as large as the room above the first, its lines as far apart as those, the first beginning where its line begins. It
 * stands upright as the page is seen.
 * @param run lines of one answer, from the top down; one at least
 */
export function answerBox(
  run: readonly AnswerLine[],
  instrument: TextInstrument,
  page: PageBox,
  { ascent, descent }: FaceHeights,
): AnswerBox {
  const [first, second] = run;
  if (first.cell) return cellBox(first, first.cell, instrument, page, { ascent, descent });
  const size = answerSize(first.room, instrument.size);
  const leading = second ? (second.y - first.y) / size : instrument.leading;
  const left = Math.min(...run.map(({ from }) => from)) + INSET;
  const right = Math.max(...run.map(({ to }) => to));
  const indent = first.from + INSET - left;
  const above = size * (ascent + (leading - ascent - descent) / 2);
  const back = invertMatrix(displayMatrix(page));
  return {
    at: transform(back, { x: left, y: first.y - LIFT * size - above }),
    angle: Math.atan2(back[1], back[0]),
    width: right - left,
    indent: indent > ALIKE ? indent : 0,
    height: run.length * size * leading,
    instrument: { ...instrument, size, leading, padding: 0 },
  };
}

/** A box on printed cells: its capitals stand in the middle of their height. */
function cellBox(
  { from, to, y, room }: AnswerLine,
  cell: number,
  instrument: TextInstrument,
  page: PageBox,
  { ascent, descent }: FaceHeights,
): AnswerBox {
  const size = Math.max(SMALLEST, stepped(Math.min(CELL_HEIGHT * room, CELL_WIDTH * cell)));
  const leading = Math.max(1, room / size);
  const above = size * (ascent + (leading - ascent - descent) / 2);
  const back = invertMatrix(displayMatrix(page));
  return {
    at: transform(back, { x: from, y: y - (room - CAPITALS * size) / 2 - above }),
    angle: Math.atan2(back[1], back[0]),
    width: to - from,
    indent: 0,
    height: size * leading,
    instrument: { ...instrument, size, leading, padding: 0, cell, list: 'none' },
  };
}

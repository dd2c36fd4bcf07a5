import {
  displayMatrix,
  invertMatrix,
  type PageBox,
  transform,
  type Vec,
} from '../geometry/index.ts';
import type { TextInstrument } from '../marks/index.ts';
import type { AnswerLine } from '../print/index.ts';

/** A box whose lines stand on printed ones; see `NewText`. */
export interface AnswerBox {
  readonly at: Vec;
  readonly angle: number;
  readonly width: number;
  readonly indent: number;
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
    instrument: { ...instrument, size, leading, padding: 0 },
  };
}

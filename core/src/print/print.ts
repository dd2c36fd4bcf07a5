import type { Box } from '../geometry/index.ts';

/** The text of a page without its places: what searching and quoting need. */
export interface PageText {
  /** All words; a space between two of a line, a line feed between two lines. */
  readonly text: string;
  /** Where lines end whose last word goes on in the next, after a hyphen: the units after the hyphens. */
  readonly breaks: readonly number[];
}

/** What is printed on a page as text, in the order it is read in. Places are in user space, points. */
export interface Print extends PageText {
  /** The box of each UTF-16 unit of the text: minX, minY, maxX, maxY in turn. Those of spaces and line feeds are empty. */
  readonly boxes: Float32Array;
  readonly words: readonly PrintWord[];
  readonly lines: readonly PrintLine[];
}

/** A part of the text: its first unit, and the one after its last. */
export interface TextRange {
  readonly from: number;
  readonly to: number;
}

export interface PrintWord extends TextRange {
  readonly line: number;
  readonly box: Box;
}

/** Words that stand on one line of one column. */
export interface PrintLine extends TextRange {
  /** From 0, in reading order. */
  readonly column: number;
  /** The text it belongs to, from 0: a paragraph, a heading, a cell. */
  readonly block: number;
  /** Direction of writing, radians counterclockwise. */
  readonly angle: number;
  /** Of its largest type. */
  readonly size: number;
  /** A number for the face most of it is set in, good for this page alone. */
  readonly face: number;
  readonly box: Box;
  /** It stands at the head or the foot of the page, off its text: a running title, a page number. */
  readonly running: boolean;
  /** Its last word goes on in the next line, after a hyphen. */
  readonly breaks: boolean;
}

/** The part of a page's text that is neither at its head nor at its foot; all of it where there is nothing else. */
export function bodyOf({ lines, text }: Print): TextRange {
  const body = lines.filter((line) => !line.running);
  if (body.length === 0) return { from: 0, to: text.length };
  return { from: body[0].from, to: body[body.length - 1].to };
}

export const EMPTY_PRINT: Print = {
  text: '',
  breaks: [],
  boxes: new Float32Array(0),
  words: [],
  lines: [],
};

import { type Box, EMPTY_BOX, uniteBoxes } from '../geometry/index.ts';
import type { Block } from './blocks.ts';
import { columnsOf } from './columns.ts';
import type { Glyphs } from './glyphs.ts';
import type { Piece } from './pieces.ts';
import type { Print, PrintLine, PrintWord } from './print.ts';
import { type SignWord, wordsOf } from './words.ts';

type Growing<T> = { -readonly [K in keyof T]: T[K] };

/** Sets down what stands in blocks that are in order as one text, with the place of everything in it. */
export function setDown(
  blocks: readonly Block[],
  running: ReadonlySet<Block>,
  pieces: readonly Piece[],
  glyphs: Glyphs,
): Print {
  const columns = columnsOf(blocks, running);
  const text = new GrowingText(glyphs);
  blocks.forEach((block, number) => {
    const isRunning = running.has(block);
    for (const k of block.lines) text.putLine(pieces[k], columns[number], number, isRunning);
  });
  return text.done();
}

/** A page's text as it grows. */
class GrowingText {
  private readonly words: PrintWord[] = [];
  private readonly lines: Growing<PrintLine>[] = [];
  private units: Uint16Array;
  private boxes: Float32Array;
  /** Units of text so far. */
  private length = 0;

  constructor(private readonly glyphs: Glyphs) {
    // Most characters are one unit, and every fifth or so is followed by a space; what is more grows it.
    const room = Math.ceil(1.3 * glyphs.raw.codes.length) + 16;
    this.units = new Uint16Array(room);
    this.boxes = new Float32Array(4 * room);
  }

  putLine(piece: Piece, column: number, block: number, running: boolean): void {
    const words = wordsOf(piece, this.glyphs);
    if (words.length === 0) return;
    if (this.lines.length > 0) this.putGap('\n');
    const from = this.length;
    let around = EMPTY_BOX;
    for (const word of words) {
      if (this.length > from) this.putGap(' ');
      around = uniteBoxes(around, this.putWord(word));
    }
    const { angle } = this.glyphs.frames[piece.frame];
    const { length: to } = this;
    const { size, face } = piece;
    const line = {
      column,
      block,
      angle,
      size,
      face,
      running,
      from,
      to,
      box: around,
      breaks: false,
    };
    this.lines.push(line);
  }

  private putWord(word: SignWord): Box {
    const { boxes } = this.glyphs.raw;
    const from = this.length;
    let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
    for (const { text, glyph } of word) {
      const k = 4 * glyph;
      x0 = Math.min(x0, boxes[k]);
      y0 = Math.min(y0, boxes[k + 1]);
      x1 = Math.max(x1, boxes[k + 2]);
      y1 = Math.max(y1, boxes[k + 3]);
      this.put(text, boxes[k], boxes[k + 1], boxes[k + 2], boxes[k + 3]);
    }
    const around = { minX: x0, minY: y0, maxX: x1, maxY: y1 };
    this.words.push({ from, to: this.length, line: this.lines.length, box: around });
    return around;
  }

  /** What is between words has no width. */
  private putGap(gap: string): void {
    const { maxX, minY, maxY } = this.words[this.words.length - 1].box;
    this.put(gap, maxX, minY, maxX, maxY);
  }

  private put(text: string, minX: number, minY: number, maxX: number, maxY: number): void {
    while (this.length + text.length > this.units.length) this.grow();
    const { units, boxes } = this;
    for (let n = 0; n < text.length; n++) {
      units[this.length] = text.charCodeAt(n);
      const k = 4 * this.length++;
      boxes[k] = minX;
      boxes[k + 1] = minY;
      boxes[k + 2] = maxX;
      boxes[k + 3] = maxY;
    }
  }

  private grow(): void {
    const units = new Uint16Array(2 * this.units.length);
    units.set(this.units);
    this.units = units;
    const boxes = new Float32Array(2 * this.boxes.length);
    boxes.set(this.boxes);
    this.boxes = boxes;
  }

  done(): Print {
    const { words, lines } = this;
    const text = textOf(this.units.subarray(0, this.length));
    for (let k = 0; k + 1 < lines.length; k++)
      lines[k].breaks = isBroken(text, lines[k], lines[k + 1]);
    return {
      text,
      breaks: lines.filter(({ breaks }) => breaks).map(({ to }) => to),
      boxes: this.boxes.slice(0, 4 * text.length),
      words,
      lines,
    };
  }
}

/** So many units become text at a time: each is an argument of a call. */
const AT_ONCE = 4096;

function textOf(units: Uint16Array): string {
  let text = '';
  for (let k = 0; k < units.length; k += AT_ONCE) {
    const some = units.subarray(k, k + AT_ONCE);
    // Spread out they take nine times as long; what is typed as an array may be any list of numbers.
    text += String.fromCharCode.apply(null, some as unknown as number[]);
  }
  return text;
}

const HYPHEN = /[-\u00ad\u2010]/u;
const LETTER_LAST = /\p{L}$/u;
const SMALL_FIRST = /^\p{Ll}/u;
const CAPITALS_LAST = /\p{Lu}\p{Lu}$/u;
const CAPITALS_FIRST = /^\p{Lu}\p{Lu}/u;

/** A line ends in a hyphen that only the end of the line has put there when the next goes on with a small letter, or all is set in capitals. */
function isBroken(text: string, line: PrintLine, next: PrintLine): boolean {
  if (!HYPHEN.test(text[line.to - 1])) return false;
  if (next.angle !== line.angle || next.running !== line.running) return false;
  // Two units hold any one letter.
  const before = text.slice(Math.max(line.from, line.to - 3), line.to - 1);
  const after = text.slice(next.from, next.from + 2);
  if (CAPITALS_LAST.test(before) && CAPITALS_FIRST.test(after)) return true;
  return LETTER_LAST.test(before) && SMALL_FIRST.test(after);
}

import { box, type Box, EMPTY_BOX, uniteBoxes } from '../geometry/index.ts';
import type { Block } from './blocks.ts';
import { columnsOf } from './columns.ts';
import type { Glyphs } from './glyphs.ts';
import type { Piece } from './pieces.ts';
import type { Print, PrintLine, PrintWord } from './print.ts';
import { type SignWord, wordsOf } from './words.ts';

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
    for (const k of block.lines) {
      const piece = pieces[k];
      text.putLine(wordsOf(piece, glyphs), {
        column: columns[number],
        block: number,
        angle: glyphs.frames[piece.frame].angle,
        size: piece.size,
        running: running.has(block),
      });
    }
  });
  return text.done();
}

/** A page's text as it grows. */
class GrowingText {
  private readonly words: PrintWord[] = [];
  private readonly lines: PrintLine[] = [];
  private readonly boxes: number[] = [];
  private text = '';

  constructor(private readonly glyphs: Glyphs) {}

  putLine(
    words: readonly SignWord[],
    line: Omit<PrintLine, 'from' | 'to' | 'box' | 'breaks'>,
  ): void {
    if (words.length === 0) return;
    if (this.lines.length > 0) this.putGap('\n');
    const from = this.text.length;
    let around = EMPTY_BOX;
    words.forEach((word, k) => {
      if (k > 0) this.putGap(' ');
      around = uniteBoxes(around, this.putWord(word));
    });
    this.lines.push({ ...line, from, to: this.text.length, box: around, breaks: false });
  }

  private putWord(word: SignWord): Box {
    const { boxes } = this.glyphs.raw;
    const from = this.text.length;
    let around = EMPTY_BOX;
    for (const { text, glyph } of word) {
      const [minX, minY, maxX, maxY] = boxes.subarray(4 * glyph, 4 * glyph + 4);
      const own = box(minX, minY, maxX, maxY);
      around = uniteBoxes(around, own);
      this.put(text, own);
    }
    this.words.push({ from, to: this.text.length, line: this.lines.length, box: around });
    return around;
  }

  /** What is between words has no width. */
  private putGap(gap: string): void {
    const { maxX, minY, maxY } = this.words[this.words.length - 1].box;
    this.put(gap, box(maxX, minY, maxX, maxY));
  }

  private put(text: string, { minX, minY, maxX, maxY }: Box): void {
    this.text += text;
    for (let k = 0; k < text.length; k++) this.boxes.push(minX, minY, maxX, maxY);
  }

  done(): Print {
    const { text, words, lines } = this;
    return {
      text,
      boxes: Float32Array.from(this.boxes),
      words,
      lines: lines.map((line, k) => ({ ...line, breaks: isBroken(text, line, lines[k + 1]) })),
    };
  }
}

/** A line ends in a hyphen that only the end of the line has put there when the next goes on with a small letter. */
function isBroken(text: string, line: PrintLine, next: PrintLine | undefined): boolean {
  if (!next || next.angle !== line.angle || next.running !== line.running) return false;
  return (
    /\p{L}[-\u00ad\u2010]$/u.test(text.slice(line.from, line.to)) &&
    /^\p{Ll}/u.test(text.slice(next.from, next.to))
  );
}

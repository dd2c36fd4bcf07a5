import { box, type Box, EMPTY_BOX, uniteBoxes } from '../geometry/index.ts';
import { type Block, blocksOf } from './blocks.ts';
import { columnsOf } from './columns.ts';
import { type Glyphs, glyphsOf } from './glyphs.ts';
import { joinPieces } from './joinPieces.ts';
import { orderPage } from './orderBlocks.ts';
import { type Piece, piecesOf } from './pieces.ts';
import type { Print, PrintLine, PrintWord } from './print.ts';
import type { RawPrint } from './rawPrint.ts';
import { type Sign, type SignWord, wordsOf } from './words.ts';

/** Finds the words, lines and columns of a page, and the order they are read in. */
export function readPrint(raw: RawPrint): Print {
  const glyphs = glyphsOf(raw);
  const lines = joinPieces(piecesOf(glyphs), glyphs);
  const blocks = blocksOf(lines);
  const pages = framesInOrder(blocks, lines).map((frame) =>
    orderPage(blocks.filter((block) => block.frame === frame)),
  );
  const running = new Set(pages.flatMap(({ head, foot }) => [...head, ...foot]));
  const ordered = [
    ...pages.flatMap(({ head }) => head),
    ...pages.flatMap(({ text }) => text),
    ...pages.flatMap(({ foot }) => foot),
  ];
  return setDown(ordered, running, lines, glyphs);
}

/** Directions of writing, the one with most lines first. */
function framesInOrder(blocks: readonly Block[], lines: readonly Piece[]): number[] {
  const count = new Map<number, number>();
  for (const { frame, glyphs } of lines) count.set(frame, (count.get(frame) ?? 0) + glyphs.length);
  return [...new Set(blocks.map(({ frame }) => frame))].sort(
    (a, b) => (count.get(b) ?? 0) - (count.get(a) ?? 0),
  );
}

function setDown(
  blocks: readonly Block[],
  running: ReadonlySet<Block>,
  pieces: readonly Piece[],
  glyphs: Glyphs,
): Print {
  const { raw, frames } = glyphs;
  const columns = columnsOf(blocks);
  const words: PrintWord[] = [];
  const lines: PrintLine[] = [];
  const text: string[] = [];
  const boxes: number[] = [];
  let at = 0;
  const put = (part: string, b: Box): void => {
    text.push(part);
    at += part.length;
    for (let k = 0; k < part.length; k++) boxes.push(b.minX, b.minY, b.maxX, b.maxY);
  };
  const signBox = ({ glyph }: Sign): Box =>
    box(
      raw.boxes[4 * glyph],
      raw.boxes[4 * glyph + 1],
      raw.boxes[4 * glyph + 2],
      raw.boxes[4 * glyph + 3],
    );
  const putWord = (signs: SignWord): PrintWord => {
    const from = at;
    let around = EMPTY_BOX;
    for (const sign of signs) {
      const b = signBox(sign);
      around = uniteBoxes(around, b);
      put(sign.text, b);
    }
    return { from, to: at, line: lines.length, box: around };
  };
  const emptyAfter = ({ box: b }: PrintWord): Box => box(b.maxX, b.minY, b.maxX, b.maxY);
  blocks.forEach((block, blockNumber) => {
    for (const k of block.lines) {
      const piece = pieces[k];
      const signs = wordsOf(piece, glyphs);
      if (signs.length === 0) continue;
      if (words.length > 0) put('\n', emptyAfter(words[words.length - 1]));
      const from = at;
      let around = EMPTY_BOX;
      signs.forEach((word, w) => {
        if (w > 0) put(' ', emptyAfter(words[words.length - 1]));
        words.push(putWord(word));
        around = uniteBoxes(around, words[words.length - 1].box);
      });
      lines.push({
        from,
        to: at,
        column: columns[blockNumber],
        block: blockNumber,
        angle: frames[piece.frame].angle,
        size: piece.size,
        box: around,
        running: running.has(block),
        breaks: false,
      });
    }
  });
  const whole = text.join('');
  return {
    text: whole,
    boxes: Float32Array.from(boxes),
    words,
    lines: lines.map((line, k) => ({ ...line, breaks: isBroken(whole, line, lines[k + 1]) })),
  };
}

/** A line ends in a hyphen that only the end of the line has put there when the next goes on with a small letter. */
function isBroken(text: string, line: PrintLine, next: PrintLine | undefined): boolean {
  if (!next || next.angle !== line.angle || next.running !== line.running) return false;
  return (
    /\p{L}[-\u00ad\u2010]$/u.test(text.slice(line.from, line.to)) &&
    /^\p{Ll}/u.test(text.slice(next.from, next.to))
  );
}

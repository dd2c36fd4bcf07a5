import { type Block, blocksOf } from './blocks.ts';
import { glyphsOf } from './glyphs.ts';
import { joinPieces } from './joinPieces.ts';
import { orderPage } from './orderBlocks.ts';
import { type Piece, piecesOf } from './pieces.ts';
import type { Print } from './print.ts';
import type { RawPrint } from './rawPrint.ts';
import { setDown } from './setDown.ts';

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

import type { Piece } from './pieces.ts';

/** Lines that stand one beneath the other as one text, from the top down. Numbers of lines. */
export interface Block {
  readonly frame: number;
  readonly lines: number[];
  /** Of type. */
  readonly size: number;
  from: number;
  to: number;
  foot: number;
  head: number;
}

/** From one line of a text to the next it is no more than this, in sizes of type … */
const MOST_LEADING = 1.9;
/** … whose size differs by no more than this. */
const MOST_UNLIKE = 1.35;
/** A heading is larger than its text by so much, if it has a face of its own. */
const HEADING = 1.02;
/** So much of the narrower of two lines lies beneath the other. */
const BENEATH = 0.3;

/** Finds the texts that lines belong to: each goes on the one right above it, where neither has another beside it. */
export function blocksOf(lines: readonly Piece[]): Block[] {
  const order = lines
    .map((_, k) => k)
    .sort((a, b) => lines[a].frame - lines[b].frame || lines[b].base - lines[a].base);
  /** The only line above each; −1 of none. Of how many lines each is that. */
  const above = new Int32Array(lines.length).fill(-1);
  const count = new Uint32Array(lines.length);
  order.forEach((k, at) => {
    above[k] = onlyOneAbove(order, at, lines);
    if (above[k] >= 0) count[above[k]]++;
  });
  const blockOf: Block[] = [];
  const blocks: Block[] = [];
  for (const k of order) {
    const upper = above[k];
    const goesOn = upper >= 0 && count[upper] === 1 && isText(lines[upper], lines[k]);
    if (goesOn) grow(blockOf[upper], lines[k], k);
    else blocks.push(begin(lines[k], k));
    blockOf[k] = goesOn ? blockOf[upper] : blocks[blocks.length - 1];
  }
  return blocks;
}

/** The line right above one that lies over it, if nothing that does stands beside it; else −1. */
function onlyOneAbove(order: readonly number[], at: number, lines: readonly Piece[]): number {
  const line = lines[order[at]];
  let found = -1;
  for (let k = at - 1; k >= 0; k--) {
    const upper = lines[order[k]];
    if (upper.frame !== line.frame) break;
    if (found >= 0 && upper.foot > lines[found].head) break;
    if (upper.base - line.base < 0.3 * Math.min(line.size, upper.size)) continue;
    if (sharedWidth(upper, line) <= 0) continue;
    if (found >= 0) return -1;
    found = order[k];
  }
  return found;
}

const sharedWidth = (a: Piece, b: Piece): number => Math.min(a.to, b.to) - Math.max(a.from, b.from);

function isText(upper: Piece, line: Piece): boolean {
  const [small, large] = [Math.min(upper.size, line.size), Math.max(upper.size, line.size)];
  // What is set in another face and another size is a heading, however near it stands.
  const isHeading = upper.face !== line.face && large > HEADING * small;
  return (
    !isHeading &&
    large < MOST_UNLIKE * small &&
    upper.base - line.base < MOST_LEADING * large &&
    sharedWidth(upper, line) > BENEATH * Math.min(upper.to - upper.from, line.to - line.from)
  );
}

function begin({ frame, size, from, to, foot, head }: Piece, k: number): Block {
  return { frame, lines: [k], size, from, to, foot, head };
}

function grow(block: Block, line: Piece, k: number): void {
  block.lines.push(k);
  block.from = Math.min(block.from, line.from);
  block.to = Math.max(block.to, line.to);
  block.foot = Math.min(block.foot, line.foot);
  block.head = Math.max(block.head, line.head);
}

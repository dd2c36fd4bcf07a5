import type { Block } from './blocks.ts';

/** So much of the narrower of two blocks lies beneath the other when they are of one column. */
const BENEATH = 0.5;

/** The column of each block, from 0, in reading order: one is left where the next block stands beside it or higher up. */
export function columnsOf(blocks: readonly Block[]): number[] {
  let column = 0;
  return blocks.map((block, k) => {
    const last = blocks[k - 1];
    if (last && (block.frame !== last.frame || !isBeneath(block, last))) column++;
    return column;
  });
}

function isBeneath(block: Block, last: Block): boolean {
  const shared = Math.min(block.to, last.to) - Math.max(block.from, last.from);
  const narrower = Math.min(block.to - block.from, last.to - last.from);
  return block.head < last.head && shared > BENEATH * narrower;
}

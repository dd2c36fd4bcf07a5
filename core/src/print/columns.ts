import type { Block } from './blocks.ts';

/** So much of the narrower of two blocks lies beneath the other when they are of one column. */
const BENEATH = 0.5;

/**
 * The column of each block, from 0, in reading order: one is left where the next block stands beside it or higher up. What stands at the
 * head and the foot of the page goes with the first and the last.
 */
export function columnsOf(blocks: readonly Block[], running: ReadonlySet<Block>): number[] {
  let column = 0;
  let last: Block | null = null;
  return blocks.map((block) => {
    if (running.has(block)) return column;
    if (last && (block.frame !== last.frame || !isBeneath(block, last))) column++;
    last = block;
    return column;
  });
}

function isBeneath(block: Block, last: Block): boolean {
  const shared = Math.min(block.to, last.to) - Math.max(block.from, last.from);
  const narrower = Math.min(block.to - block.from, last.to - last.from);
  return block.head < last.head && shared > BENEATH * narrower;
}

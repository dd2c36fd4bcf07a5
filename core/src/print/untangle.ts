import type { Block } from './blocks.ts';

/**
 * The order of blocks that no straight cut parts (T. Breuel, High performance document layout analysis, 2003; from memory): one that lies
 * above another and over it comes before it; so does one that lies wholly to the left of another, unless something between the two in
 * height lies over both. A topological sort keeps both rules, and goes from the top left where they say nothing.
 */
export function untangle(blocks: readonly Block[]): Block[] {
  const sorted = [...blocks].sort((a, b) => b.head - a.head || a.from - b.from);
  const done = new Set<Block>();
  const ordered: Block[] = [];
  const before = (a: Block, b: Block): boolean =>
    isAbove(a, b) || (isLeft(a, b) && !sorted.some((c) => parts(c, a, b)));
  const visit = (block: Block, open: Set<Block>): void => {
    if (done.has(block) || open.has(block)) return;
    open.add(block);
    for (const other of sorted)
      if (other !== block && !done.has(other) && before(other, block)) visit(other, open);
    done.add(block);
    ordered.push(block);
  };
  for (const block of sorted) visit(block, new Set());
  return ordered;
}

const sharesWidth = (a: Block, b: Block): boolean => a.from < b.to && b.from < a.to;

const isAbove = (a: Block, b: Block): boolean => sharesWidth(a, b) && a.head > b.head;

const isLeft = (a: Block, b: Block): boolean => a.to <= b.from;

/** Whether c lies between a and b in height, and over or beneath both. */
const parts = (c: Block, a: Block, b: Block): boolean =>
  c !== a &&
  c !== b &&
  sharesWidth(c, a) &&
  sharesWidth(c, b) &&
  c.head < Math.max(a.head, b.head) &&
  c.foot > Math.min(a.foot, b.foot);

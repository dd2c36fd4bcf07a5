import { touchedBy } from '../canvas/index.ts';
import type { Drawing, Item } from '../drawing/index.ts';
import { type Box, boxesMeet, growBox, type Matrix, uniteBoxes } from '../geometry/index.ts';

/** Items of a drawing that may touch one another, and the box around them. */
export interface Together {
  readonly items: Drawing;
  /** Pixels. */
  readonly box: Box;
}

/**
 * Takes a drawing apart into what may touch: items of different parts share no pixel, so that parts can be painted one
 * after the other as the whole would be at once. Groups come in as many parts as they have. Within a part items keep
 * their order.
 * @param matrix from user space to pixels
 * @param near what is so near each other stays together, pixels
 */
export function meetingItems(drawing: Drawing, matrix: Matrix, near = 0): Together[] {
  const items = drawing.flatMap((item) => itemsOf(item, matrix));
  const parts: { indices: number[]; box: Box }[] = [];
  for (const [index, item] of items.entries()) {
    const whole = { indices: [index], box: touchedBy([item], matrix) };
    for (let k = parts.length - 1; k >= 0; k--) {
      if (!boxesMeet(growBox(whole.box, near), parts[k].box)) continue;
      whole.indices.push(...parts[k].indices);
      whole.box = uniteBoxes(whole.box, parts[k].box);
      parts.splice(k, 1);
      // What has grown may reach others now.
      k = parts.length;
    }
    parts.push(whole);
  }
  return parts.map(({ indices, box }) => ({
    items: indices.sort((a, b) => a - b).map((index) => items[index]),
    box,
  }));
}

const itemsOf = (item: Item, matrix: Matrix): Item[] =>
  item.is === 'group' && item.items.length > 1
    ? meetingItems(item.items, matrix).map(({ items }) => ({ ...item, items }))
    : [item];

import Flatbush from 'flatbush';
import type { PageMarks } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
import type { Mark } from '../marks/index.ts';
import { boundsOf } from './outlineOf.ts';

interface PageIndex {
  readonly marks: readonly Mark[];
  readonly tree: Flatbush;
}

const kept = new WeakMap<PageMarks, PageIndex | null>();

/** Built when first asked for; kept as long as the page's marks are the same object. */
function indexOf(marks: PageMarks): PageIndex | null {
  let index = kept.get(marks);
  if (index === undefined) {
    const all = [...marks.values()];
    index = all.length === 0 ? null : { marks: all, tree: new Flatbush(all.length) };
    if (index) {
      for (const mark of all) {
        const { minX, minY, maxX, maxY } = boundsOf(mark);
        index.tree.add(minX, minY, maxX, maxY);
      }
      index.tree.finish();
    }
    kept.set(marks, index);
  }
  return index;
}

/** The marks of a page whose bounds meet a box, from the lowest to the topmost. */
export function marksMeeting(marks: PageMarks, { minX, minY, maxX, maxY }: Box): Mark[] {
  const index = indexOf(marks);
  if (!index) return [];
  return index.tree
    .search(minX, minY, maxX, maxY)
    .map((i) => index.marks[i])
    .sort((a, b) => a.order - b.order);
}

import Flatbush from 'flatbush';
import { PageMap, type PageMarks } from '../document/index.ts';
import { type Box, boxesMeet } from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import { boundsOf } from './drawingOf.ts';

interface BaseIndex {
  readonly marks: readonly Mark[];
  readonly tree: Flatbush;
}

const kept = new WeakMap<PageMarks, BaseIndex | null>();

/** Built when first asked for; good for every page map over the same base. */
function indexOf(base: PageMarks): BaseIndex | null {
  let index = kept.get(base);
  if (index === undefined) {
    const all = [...base.values()];
    index = all.length === 0 ? null : { marks: all, tree: new Flatbush(all.length) };
    if (index) {
      for (const mark of all) {
        const { minX, minY, maxX, maxY } = boundsOf(mark);
        index.tree.add(minX, minY, maxX, maxY);
      }
      index.tree.finish();
    }
    kept.set(base, index);
  }
  return index;
}

/** The marks of a page whose bounds meet a box, from the lowest to the topmost. */
export function marksMeeting(marks: PageMarks, box: Box): Mark[] {
  const { base, patch } = PageMap.partsOf(marks);
  const index = indexOf(base);
  const near = index?.tree.search(box.minX, box.minY, box.maxX, box.maxY) ?? [];
  const found = near.map((i) => index?.marks[i]).filter((m) => m !== undefined);
  const still = patch.size === 0 ? found : found.filter(({ id }) => !patch.has(id));
  for (const mark of patch.values()) if (mark && boxesMeet(boundsOf(mark), box)) still.push(mark);
  return still.sort((a, b) => a.order - b.order);
}

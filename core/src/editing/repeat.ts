import {
  type DocState,
  findPage,
  type MarkChange,
  markChange,
  nextOrder,
  type Transaction,
} from '../document/index.ts';
import {
  boxHeight,
  boxWidth,
  displayMatrix,
  displaySize,
  invertMatrix,
  moveBy,
  type PageBox,
  thenMatrix,
  transformBox,
  type Vec,
} from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import { boundsOfAll, carryMark, movable } from './carry.ts';
import { renewedMarks } from './clip.ts';

/**
 * Copies of marks of one page on others, upright and as large, as far from the upper left corner as there, and whole on each that has room; null where there are none.
 * @param pages those they are put on; their own is left out
 */
export function repeatMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  pages: Iterable<PageId>,
  newId: () => MarkId,
): Transaction | null {
  const [first, ...rest] = movable(state, ids);
  const from = first && findPage(state, first.page);
  if (!from) return null;
  const marks = [first, ...rest].filter(({ page }) => page === from.id);
  const changes = [...new Set(pages)].flatMap((id) => {
    const to = id === from.id ? null : findPage(state, id);
    return to ? onPage(state, marks, from, to, newId) : [];
  });
  if (changes.length === 0) return null;
  const count = changes.length / marks.length;
  return { label: `Put on ${count === 1 ? '1 page' : `${count} pages`}`, changes };
}

function onPage(
  state: DocState,
  marks: readonly Mark[],
  from: PageBox,
  to: PageBox & { readonly id: PageId },
  newId: () => MarkId,
): MarkChange[] {
  const seen = displayMatrix(from);
  const place = transformBox(seen, boundsOfAll(marks));
  const size = displaySize(to);
  const by: Vec = {
    x: backOnto(place.minX, boxWidth(place), size.width),
    y: backOnto(place.minY, boxHeight(place), size.height),
  };
  const matrix = thenMatrix(thenMatrix(seen, moveBy(by)), invertMatrix(displayMatrix(to)));
  let order = nextOrder(state, to.id);
  return renewedMarks(marks, newId).map((mark) =>
    markChange(null, {
      ...carryMark(mark, matrix, { widthFollows: true }),
      page: to.id,
      order: order++,
    }),
  );
}

/** How far something must be moved that lies beyond a page's far edge; what is larger than the page begins where it begins. */
const backOnto = (from: number, long: number, side: number): number =>
  long > side ? -from : Math.min(Math.max(from, 0), side - long) - from;

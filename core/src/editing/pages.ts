import {
  changeOf,
  type DocState,
  type Page,
  paperPage,
  type Transaction,
} from '../document/index.ts';
import { displaySize } from '../geometry/index.ts';
import type { PageId } from '../marks/index.ts';
import { PAPERS, type Ruling } from '../paper/index.ts';

/** A4, points: an empty page with no neighbour to take its size from. */
const USUAL = { width: 595.28, height: 841.89 };
/** Pages nearer in order than this are counted anew. */
const LEAST_GAP = 1e-6;

/** Puts an empty page after another, in its size as it is seen; before all others when `after` is null or not there. */
export function addPaper(
  state: DocState,
  after: PageId | null,
  ruling: Ruling,
  id: PageId,
): Transaction {
  const { pages } = state;
  const place = pages.findIndex((page) => page.id === after) + 1;
  const neighbour: Page | undefined = pages[place - 1] ?? pages[0];
  const size = neighbour ? displaySize(neighbour) : USUAL;
  const label = `Add a ${PAPERS[ruling.pattern].name.toLowerCase()} page`;
  const [low, high] = [pages[place - 1]?.order, pages[place]?.order];
  const order =
    low === undefined ? (high ?? 1) - 1 : high === undefined ? low + 1 : (low + high) / 2;
  const isRoom = (low === undefined || order - low > LEAST_GAP) && (high ?? Infinity) > order;
  if (isRoom)
    return { label, changes: [changeOf('page', null, paperPage(id, order, size, ruling))] };
  // So many came between two that no number is left: everything after them moves up.
  const moved = pages
    .slice(place)
    .map((page, i) => changeOf('page', page, { ...page, order: (low ?? 0) + i + 2 }));
  const added = changeOf('page', null, paperPage(id, (low ?? 0) + 1, size, ruling));
  return { label, changes: [...moved, added] };
}

import { type Change, changeOf, type Page } from '../../document/index.ts';
import type { PageId } from '../../marks/index.ts';

/** Pages nearer in order than this are counted anew. */
const LEAST_GAP = 1e-6;

/** Numbers for pages that come between others, and what has to move up for them. */
export interface Places {
  readonly orders: readonly number[];
  readonly moved: readonly Change[];
}

/**
 * Where so many pages find their place after another one.
 * @param pages those that stay where they are, in order
 * @param after before all others when it is null or not among them
 */
export function placesAfter(pages: readonly Page[], after: PageId | null, count: number): Places {
  const place = pages.findIndex(({ id }) => id === after) + 1;
  const [low, high] = [pages.at(place - 1)?.order, pages[place]?.order];
  if (place === 0 || low === undefined)
    return { orders: counted((high ?? 1) - count, count), moved: [] };
  if (high === undefined) return { orders: counted(low + 1, count), moved: [] };
  const gap = (high - low) / (count + 1);
  if (gap > LEAST_GAP)
    return { orders: Array.from({ length: count }, (_, k) => low + (k + 1) * gap), moved: [] };
  // So many came between two that no number is left: everything after them moves up.
  const moved = pages
    .slice(place)
    .map((page, k) => changeOf('page', page, { ...page, order: low + count + k + 1 }));
  return { orders: counted(low + 1, count), moved };
}

const counted = (first: number, count: number): readonly number[] =>
  Array.from({ length: count }, (_, k) => first + k);

/** Of the pages those that are asked for, in the order they stand in. */
export const chosen = (pages: readonly Page[], ids: Iterable<PageId>): readonly Page[] => {
  const wanted = new Set(ids);
  return pages.filter(({ id }) => wanted.has(id));
};

/** “Turn a page”, “Turn 3 pages”. */
export const labelled = (verb: string, count: number): string =>
  count === 1 ? `${verb} a page` : `${verb} ${count} pages`;

import { changeOf, type DocState, type Page, type Transaction } from '../../document/index.ts';
import type { PageId } from '../../marks/index.ts';
import { chosen, labelled, placesAfter } from './places.ts';

/**
 * Moves pages together, in the order they stand in, behind another; null where they stand there already.
 * @param after the page they come after, which may be one of them: then they gather behind the last before it that stays; null for the beginning
 */
export function movePages(
  { pages }: DocState,
  ids: Iterable<PageId>,
  after: PageId | null,
): Transaction | null {
  const moving = chosen(pages, ids);
  const isMoving = new Set(moving.map(({ id }) => id));
  const rest = pages.filter(({ id }) => !isMoving.has(id));
  if (moving.length === 0 || rest.length === 0) return null;
  const before = pages.slice(0, pages.findIndex(({ id }) => id === after) + 1);
  const place = before.filter(({ id }) => !isMoving.has(id)).at(-1)?.id ?? null;
  const at = rest.findIndex(({ id }) => id === place) + 1;
  const wanted = [...rest.slice(0, at), ...moving, ...rest.slice(at)];
  if (wanted.every(({ id }, k) => id === pages[k].id)) return null;
  const { orders, moved } = placesAfter(rest, place, moving.length);
  const changes = moving.map((page, k) => changeOf('page', page, { ...page, order: orders[k] }));
  return { label: labelled('Move', moving.length), changes: [...moved, ...changes] };
}

/** Gives pages the places that they have together in another order; null where nothing changes. */
function rearranged(
  before: readonly Page[],
  after: readonly Page[],
  label: string,
): Transaction | null {
  const changes = after.flatMap((page, k) =>
    page === before[k] ? [] : [changeOf('page', page, { ...page, order: before[k].order })],
  );
  return changes.length === 0 ? null : { label, changes };
}

/** The last of the pages first, in the places that they have together. */
export function reversePages({ pages }: DocState, ids: Iterable<PageId>): Transaction | null {
  const chosenPages = chosen(pages, ids);
  return rearranged(
    chosenPages,
    [...chosenPages].reverse(),
    `${labelled('Reverse', chosenPages.length)}`,
  );
}

/**
 * Two scans one after the other, of the fronts of sheets and of their backs, as one: front, back, front, back. With an odd number one more front than backs.
 * @param isTurned the backs were scanned from the last sheet to the first, as a pile is that was turned over
 */
export function interleavePages(
  { pages }: DocState,
  ids: Iterable<PageId>,
  isTurned: boolean,
): Transaction | null {
  const all = chosen(pages, ids);
  const half = Math.ceil(all.length / 2);
  const fronts = all.slice(0, half);
  const backs = isTurned ? all.slice(half).reverse() : all.slice(half);
  const sheets = fronts.flatMap((front, k) => (k < backs.length ? [front, backs[k]] : [front]));
  return rearranged(all, sheets, `Put ${all.length} pages together`);
}

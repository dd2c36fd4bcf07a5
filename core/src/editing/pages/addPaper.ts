import { changeOf, type DocState, paperPage, type Transaction } from '../../document/index.ts';
import { displaySize } from '../../geometry/index.ts';
import type { PageId } from '../../marks/index.ts';
import { PAPERS, type Ruling } from '../../paper/index.ts';
import { placesAfter } from './places.ts';

/** A4, points: an empty page with no neighbour to take its size from. */
const USUAL = { width: 595.28, height: 841.89 };

/** Puts an empty page after another, in its size as it is seen; before all others when `after` is null or not there. */
export function addPaper(
  { pages }: DocState,
  after: PageId | null,
  ruling: Ruling,
  id: PageId,
): Transaction {
  const neighbour = pages.find((page) => page.id === after) ?? pages.at(0);
  const size = neighbour ? displaySize(neighbour) : USUAL;
  const { orders, moved } = placesAfter(pages, after, 1);
  return {
    label: `Add a ${PAPERS[ruling.pattern].name.toLowerCase()} page`,
    changes: [...moved, changeOf('page', null, paperPage(id, orders[0], size, ruling))],
  };
}

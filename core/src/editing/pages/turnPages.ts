import {
  changeOf,
  type DocState,
  type Transaction,
  type Turn,
  turnPage,
} from '../../document/index.ts';
import type { PageId } from '../../marks/index.ts';
import { chosen, labelled } from './places.ts';

/** Turns pages clockwise, degrees. */
export function turnPages(
  { pages }: DocState,
  ids: Iterable<PageId>,
  by: 90 | 180 | 270,
): Transaction | null {
  const turning = chosen(pages, ids);
  if (turning.length === 0) return null;
  return {
    label: labelled('Turn', turning.length),
    changes: turning.map((page) =>
      changeOf('page', page, turnPage(page, ((page.turn + by) % 360) as Turn)),
    ),
  };
}

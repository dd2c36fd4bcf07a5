import {
  changeOf,
  cropPage,
  type DocState,
  type Page,
  type Transaction,
  type Turn,
  turnPage,
} from '../../document/index.ts';
import { type Box, displayMatrix, invertMatrix, transformBox } from '../../geometry/index.ts';
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

/** How much of a page is cut away at each side, as it is seen, points. */
export interface Insets {
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly left: number;
}

/** No side of what stays is shorter, points. */
const LEAST_SIDE = 10;

/** What stays of a page's whole sheet, in user space; null where too little would. */
function keptOf(page: Page, { top, right, bottom, left }: Insets): Box | null {
  const display = displayMatrix({ ...page, box: page.sheet });
  const whole = transformBox(display, page.sheet);
  const seen = {
    minX: whole.minX + left,
    minY: whole.minY + top,
    maxX: whole.maxX - right,
    maxY: whole.maxY - bottom,
  };
  if (seen.maxX - seen.minX < LEAST_SIDE || seen.maxY - seen.minY < LEAST_SIDE) return null;
  return transformBox(invertMatrix(display), seen);
}

/** How much of a page is cut away at each side, as it is seen. */
export function insetsOf(page: Page): Insets {
  const display = displayMatrix({ ...page, box: page.sheet });
  const [whole, seen] = [transformBox(display, page.sheet), transformBox(display, page.box)];
  return {
    top: seen.minY - whole.minY,
    right: whole.maxX - seen.maxX,
    bottom: whole.maxY - seen.maxY,
    left: seen.minX - whole.minX,
  };
}

/**
 * Cuts pages down at their sides, from their whole sheets; what is cut away is only not seen. Pages that are too small for it stay as they are.
 * @param insets null to show all of them again
 */
export function cropPages(
  { pages }: DocState,
  ids: Iterable<PageId>,
  insets: Insets | null,
): Transaction | null {
  const changes = chosen(pages, ids).flatMap((page) => {
    const kept = insets && keptOf(page, insets);
    if (insets && !kept) return [];
    const after = cropPage(page, kept);
    const isSame = JSON.stringify(after.box) === JSON.stringify(page.box);
    return isSame ? [] : [changeOf('page', page, after)];
  });
  if (changes.length === 0) return null;
  return { label: labelled(insets ? 'Crop' : 'Show all of', changes.length), changes };
}

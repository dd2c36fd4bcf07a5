import {
  changeOf,
  type DocState,
  framePage,
  type Page,
  type Transaction,
} from '../../document/index.ts';
import { type Box, displayMatrix, invertMatrix, transformBox } from '../../geometry/index.ts';
import type { PageId } from '../../marks/index.ts';
import { chosen, labelled } from './places.ts';

/** How much of a page is cut away at each side, as it is seen, points; less than nothing where there is room beyond it. */
export interface Insets {
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly left: number;
}

/** No side of what stays is shorter, points, and none longer (ISO 32000-1, annex C.2). */
const LEAST_SIDE = 10;
const LONGEST_SIDE = 14_400;

/** What is seen of a page by its whole sheet, in user space; null where that would be too little or too much. */
function keptOf(page: Page, { top, right, bottom, left }: Insets): Box | null {
  const display = displayMatrix({ ...page, box: page.sheet });
  const whole = transformBox(display, page.sheet);
  const seen = {
    minX: whole.minX + left,
    minY: whole.minY + top,
    maxX: whole.maxX - right,
    maxY: whole.maxY - bottom,
  };
  const sides = [seen.maxX - seen.minX, seen.maxY - seen.minY];
  if (sides.some((side) => side < LEAST_SIDE || side > LONGEST_SIDE)) return null;
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
  return framed(pages, ids, insets ? 'Crop' : 'Show all of', () => insets ?? NOTHING);
}

/** Gives pages room to write beyond what is seen of them, as they are seen, points; print and marks stay where they lie. Pages that are too large for it stay as they are. */
export function widenPages(
  { pages }: DocState,
  ids: Iterable<PageId>,
  { top, right, bottom, left }: Insets,
): Transaction | null {
  return framed(pages, ids, 'Widen', (page) => {
    const now = insetsOf(page);
    return {
      top: now.top - top,
      right: now.right - right,
      bottom: now.bottom - bottom,
      left: now.left - left,
    };
  });
}

const NOTHING: Insets = { top: 0, right: 0, bottom: 0, left: 0 };

/** Pages of which other parts are seen; null where none changes. */
function framed(
  pages: readonly Page[],
  ids: Iterable<PageId>,
  verb: string,
  insetsFor: (page: Page) => Insets,
): Transaction | null {
  const changes = chosen(pages, ids).flatMap((page) => {
    const kept = keptOf(page, insetsFor(page));
    if (!kept) return [];
    const after = framePage(page, kept);
    const isSame = JSON.stringify(after.box) === JSON.stringify(page.box);
    return isSame ? [] : [changeOf('page', page, after)];
  });
  return changes.length === 0 ? null : { label: labelled(verb, changes.length), changes };
}

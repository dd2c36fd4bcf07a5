import type { Vec } from '../geometry/index.ts';
import { placeInOrder } from './placeInOrder.ts';

/** A sign that belongs to a place of a page, in any unit, as the page is seen: y down. */
export interface WantedSign {
  readonly at: Vec;
  /** It stands in the margin nearer to its place, at its height, rather than there. */
  readonly inMargin: boolean;
}

/** How much room signs take, in the same unit. */
export interface SignRoom {
  readonly height: number;
  /** Between two in a margin. */
  readonly gap: number;
  /** Between them and the edge of the page. */
  readonly edge: number;
}

export interface PlacedSign {
  /** The middle of its height, and where it begins or ends along the line; of one at its place its middle. */
  readonly at: Vec;
  /** The margin it stands in: on the left it begins at its place, on the right it ends there. */
  readonly side: 'left' | 'right' | null;
}

/** Where signs stand, in the order they are given in; in the margins none lies on another. */
export function placeSigns(
  signs: readonly WantedSign[],
  page: { readonly width: number; readonly height: number },
  { height, gap, edge }: SignRoom,
): PlacedSign[] {
  const placed = signs.map(({ at }): PlacedSign => ({ at, side: null }));
  // What is placed are their middles, not their heads.
  const within = { from: edge + height / 2, to: page.height - edge + height / 2 };
  for (const side of ['left', 'right'] as const) {
    const here = signs
      .map(({ at, inMargin }, k) => ({ at, inMargin, k }))
      .filter(({ at, inMargin }) => inMargin && at.x < page.width / 2 === (side === 'left'))
      .sort((a, b) => a.at.y - b.at.y);
    const x = side === 'left' ? edge : page.width - edge;
    const wanted = here.map(({ at }) => ({ at: at.y, height }));
    placeInOrder(wanted, gap, within).forEach((y, nth) => {
      placed[here[nth].k] = { at: { x, y }, side };
    });
  }
  return placed;
}

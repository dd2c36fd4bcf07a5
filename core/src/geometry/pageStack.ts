import type { Vec } from './vec.ts';

/** Pages lying one below the other, centred, in points at zoom 1, y down from the top of the stack. */
export interface PageStack {
  readonly tops: Float64Array;
  readonly widths: Float64Array;
  readonly heights: Float64Array;
  /** The widest page. */
  readonly width: number;
  /** From above the first page to below the last, gaps included. */
  readonly height: number;
}

/** Space above the first page, between pages and below the last, points. */
export const PAGE_GAP = 12;

export function stackPages(sizes: readonly { width: number; height: number }[]): PageStack {
  const tops = new Float64Array(sizes.length);
  const widths = new Float64Array(sizes.length);
  const heights = new Float64Array(sizes.length);
  let y = PAGE_GAP;
  let width = 0;
  sizes.forEach((size, i) => {
    tops[i] = y;
    widths[i] = size.width;
    heights[i] = size.height;
    y += size.height + PAGE_GAP;
    width = Math.max(width, size.width);
  });
  return { tops, widths, heights, width, height: y };
}

/** The left edge of page `index`, with pages centred on the widest. */
export const pageLeft = (stack: PageStack, index: number): number =>
  (stack.width - stack.widths[index]) / 2;

/** The last page whose top is at or above `y`; 0 above the first. -1 for an empty stack. */
export function pageAtHeight(stack: PageStack, y: number): number {
  let low = 0;
  let high = stack.tops.length - 1;
  while (low < high) {
    const mid = (low + high + 1) >> 1;
    if (stack.tops[mid] <= y) low = mid;
    else high = mid - 1;
  }
  return high;
}

/** First and last page (inclusive) that reach into the band `top`–`bottom`; empty when first > last. */
export function pagesInBand(
  stack: PageStack,
  top: number,
  bottom: number,
): { first: number; last: number } {
  if (stack.tops.length === 0) return { first: 0, last: -1 };
  let first = pageAtHeight(stack, top);
  if (stack.tops[first] + stack.heights[first] < top) first++;
  return { first, last: pageAtHeight(stack, bottom) };
}

/** The page under a point of the stack, and the point in that page's display space; null in a gap. */
export function pageUnder(stack: PageStack, p: Vec): { index: number; at: Vec } | null {
  const index = pageAtHeight(stack, p.y);
  if (index < 0) return null;
  const at = { x: p.x - pageLeft(stack, index), y: p.y - stack.tops[index] };
  const inside =
    at.x >= 0 && at.y >= 0 && at.x <= stack.widths[index] && at.y <= stack.heights[index];
  return inside ? { index, at } : null;
}

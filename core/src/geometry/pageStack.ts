import { type Box, box } from './box.ts';
import type { Vec } from './vec.ts';

/** How pages lie: one or two beside each other, and spreads below or beside each other. */
export interface Arrangement {
  readonly across: 1 | 2;
  /** Of two across the first page lies alone, as the cover of a book does. */
  readonly cover: boolean;
  /** Which way one goes from spread to spread. */
  readonly flow: 'down' | 'sideways';
}

export const CONTINUOUS: Arrangement = { across: 1, cover: false, flow: 'down' };

/** Pages that lie beside each other. */
export interface Spread {
  readonly first: number;
  readonly last: number;
  /** Where they lie, without the gaps around. */
  readonly box: Box;
}

/** Pages as they are arranged, in points at zoom 1, y down; centred across the way one goes. */
export interface PageStack {
  readonly lefts: Float64Array;
  readonly tops: Float64Array;
  readonly widths: Float64Array;
  readonly heights: Float64Array;
  readonly spreads: readonly Spread[];
  readonly flow: Arrangement['flow'];
  /** Of all that lies down the flow the widest spread; sideways all of them with gaps around. */
  readonly width: number;
  /** From above the first spread to below the last, gaps included; sideways the tallest, gaps included. */
  readonly height: number;
}

/** Space above the first page, between pages and below the last, points. */
export const PAGE_GAP = 12;
/** Between two facing pages, points: they are looked at as one. */
export const FOLD = 2;

type Size = { readonly width: number; readonly height: number };

export function stackPages(
  sizes: readonly Size[],
  { across, cover, flow }: Arrangement = CONTINUOUS,
): PageStack {
  const widths = Float64Array.from(sizes, ({ width }) => width);
  const heights = Float64Array.from(sizes, ({ height }) => height);
  const lefts = new Float64Array(sizes.length);
  const tops = new Float64Array(sizes.length);
  const groups: { first: number; last: number; width: number; height: number }[] = [];
  for (let first = 0; first < sizes.length;) {
    const isAlone = across === 1 || (cover && first === 0) || first === sizes.length - 1;
    const last = isAlone ? first : first + 1;
    groups.push({
      first,
      last,
      width: isAlone ? widths[first] : widths[first] + FOLD + widths[last],
      height: Math.max(heights[first], heights[last]),
    });
    first = last + 1;
  }
  // A page alone stands where it would beside its neighbour: the cover on the right, the last on the left.
  const alone = across === 2 && sizes.length > 1;
  const shares = groups.map(({ first, last, width }) =>
    alone && first === last ? { width: 2 * width + FOLD, right: cover && first === 0 } : null,
  );
  const wide = groups.map(({ width }, k) => shares[k]?.width ?? width);
  const broadest = Math.max(0, ...wide);
  const tallest = Math.max(0, ...groups.map(({ height }) => height));
  let along = PAGE_GAP;
  const spreads = groups.map(({ first, last, height }, k): Spread => {
    const left = flow === 'down' ? (broadest - wide[k]) / 2 : along;
    const top = flow === 'down' ? along : PAGE_GAP + (tallest - height) / 2;
    along += (flow === 'down' ? height : wide[k]) + PAGE_GAP;
    const pushed = shares[k]?.right ? widths[first] + FOLD : 0;
    lefts[first] = left + pushed;
    if (last > first) lefts[last] = left + widths[first] + FOLD;
    for (let i = first; i <= last; i++) tops[i] = top + (height - heights[i]) / 2;
    return { first, last, box: box(left, top, left + wide[k], top + height) };
  });
  const [width, height] = flow === 'down' ? [broadest, along] : [along, tallest + 2 * PAGE_GAP];
  return { lefts, tops, widths, heights, spreads, flow, width, height };
}

/** The last spread that begins at or before a place along the flow; 0 before the first. -1 for an empty stack. */
export function spreadAt({ spreads, flow }: PageStack, along: number): number {
  let low = 0;
  let high = spreads.length - 1;
  while (low < high) {
    const mid = (low + high + 1) >> 1;
    const begins = flow === 'down' ? spreads[mid].box.minY : spreads[mid].box.minX;
    if (begins <= along) low = mid;
    else high = mid - 1;
  }
  return high;
}

/** The spread that a page lies in; -1 for an empty stack. */
export function spreadOf({ spreads }: PageStack, index: number): number {
  let low = 0;
  let high = spreads.length - 1;
  while (low < high) {
    const mid = (low + high + 1) >> 1;
    if (spreads[mid].first <= index) low = mid;
    else high = mid - 1;
  }
  return high;
}

/** First and last page (inclusive) of the spreads that reach into a band along the flow; empty when first > last. */
export function pagesInBand(
  stack: PageStack,
  from: number,
  to: number,
): { first: number; last: number } {
  const { spreads, flow } = stack;
  if (spreads.length === 0) return { first: 0, last: -1 };
  let at = spreadAt(stack, from);
  const { maxX, maxY } = spreads[at].box;
  if ((flow === 'down' ? maxY : maxX) < from) at++;
  const first = spreads[at]?.first ?? stack.tops.length;
  return { first, last: spreads[spreadAt(stack, to)].last };
}

/** The page under a point of the stack, and the point in that page's display space; null in a gap. */
export function pageUnder(stack: PageStack, p: Vec): { index: number; at: Vec } | null {
  const spread = stack.spreads[spreadAt(stack, stack.flow === 'down' ? p.y : p.x)];
  if (!spread) return null;
  for (let index = spread.first; index <= spread.last; index++) {
    const at = { x: p.x - stack.lefts[index], y: p.y - stack.tops[index] };
    const inside =
      at.x >= 0 && at.y >= 0 && at.x <= stack.widths[index] && at.y <= stack.heights[index];
    if (inside) return { index, at };
  }
  return null;
}

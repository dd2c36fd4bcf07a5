import type { Page } from '../document/index.ts';
import {
  type Box,
  box,
  boxHeight,
  boxOfPoints,
  boxWidth,
  displaySize,
  intersectBoxes,
  type PageBox,
  type Vec,
} from '../geometry/index.ts';
import type { PageId } from '../marks/index.ts';

/** A part of a page: as the page is seen, points from its upper left corner, y down. */
export interface Region {
  readonly page: PageId;
  readonly area: Box;
}

/** Smaller ones were no frame, but a slip of the hand, points. */
const LEAST = 6;

/** The part of a page between two corners, as far as it lies on the page; null where nothing to speak of does. */
export function regionBetween(page: Page, from: Vec, to: Vec): Region | null {
  const { width, height } = displaySize(page);
  const area = intersectBoxes(boxOfPoints([from, to]), box(0, 0, width, height));
  const isThere = boxWidth(area) >= LEAST && boxHeight(area) >= LEAST;
  return isThere ? { page: page.id, area } : null;
}

/** How a region is moved or made larger by its keys: by so many points, never beyond its page. */
export function regionCarried(
  region: Region,
  page: PageBox,
  by: Vec,
  which: { readonly x: 'both' | 'min' | 'max'; readonly y: 'both' | 'min' | 'max' },
): Region {
  const { width, height } = displaySize(page);
  const { area } = region;
  const [minX, maxX] = carried(area.minX, area.maxX, by.x, which.x, width);
  const [minY, maxY] = carried(area.minY, area.maxY, by.y, which.y, height);
  return { ...region, area: box(minX, minY, maxX, maxY) };
}

function carried(
  min: number,
  max: number,
  by: number,
  which: 'both' | 'min' | 'max',
  end: number,
): [number, number] {
  const within = (value: number, low: number, high: number): number =>
    Math.min(Math.max(value, low), high);
  if (which === 'min') return [within(min + by, 0, max - LEAST), max];
  if (which === 'max') return [min, within(max + by, min + LEAST, end)];
  const step = within(by, -min, end - max);
  return [min + step, max + step];
}

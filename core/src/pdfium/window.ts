import type { Box } from '../geometry/index.ts';
import type { Window } from './raster.ts';

const POINTS_AN_INCH = 72;

/** A window that a whole page fills, pixels. */
export const wholePage = (width: number, height: number): Window => ({
  width,
  height,
  page: { x: 0, y: 0, width, height },
  turn: 0,
});

/**
 * The window that shows an area of a page at a resolution: all pixels that it touches; the whole page where there is none.
 * @param size of the page as it is seen, points
 * @param area points from its upper left corner as it is seen, y down
 * @param dpi pixels an inch
 */
export function windowOnto(
  size: { readonly width: number; readonly height: number },
  area: Box | null,
  dpi: number,
): Window {
  const scale = dpi / POINTS_AN_INCH;
  const [width, height] = [size.width, size.height].map((side) =>
    Math.max(1, Math.round(side * scale)),
  );
  if (!area) return wholePage(width, height);
  const [x, y] = [Math.floor(area.minX * scale), Math.floor(area.minY * scale)];
  return {
    width: Math.max(1, Math.min(width, Math.ceil(area.maxX * scale)) - x),
    height: Math.max(1, Math.min(height, Math.ceil(area.maxY * scale)) - y),
    page: { x: 0 - x, y: 0 - y, width, height },
    turn: 0,
  };
}

import { type Box, box, boxHeight, boxOfPoints, boxWidth } from './box.ts';
import { invertMatrix, type Matrix, thenMatrix, transform } from './matrix.ts';
import type { Vec } from './vec.ts';

/** A page as the reader sees it: its visible box in user space and how far it is turned. */
export interface PageBox {
  /** MediaBox ∩ CropBox, points. */
  readonly box: Box;
  /** Clockwise turn for display, degrees: 0, 90, 180 or 270. */
  readonly rotate: 0 | 90 | 180 | 270;
  /** Display points for one unit of user space (ISO 32000-1 UserUnit); 1 nearly always. */
  readonly userUnit: number;
}

/** Width and height of the page as displayed, points. */
export function displaySize(page: PageBox): { width: number; height: number } {
  const w = boxWidth(page.box) * page.userUnit;
  const h = boxHeight(page.box) * page.userUnit;
  return page.rotate % 180 === 0 ? { width: w, height: h } : { width: h, height: w };
}

/**
 * From user space to display space: origin at the top left of the page as shown, y down,
 * `zoom` display units a point. Rotation is clockwise (ISO 32000-1 §7.7.3.3).
 */
export function displayMatrix(page: PageBox, zoom = 1): Matrix {
  const scale = zoom * page.userUnit;
  const { minX, minY, maxX, maxY } = page.box;
  switch (page.rotate) {
    case 90:
      return [0, scale, scale, 0, -minY * scale, -minX * scale];
    case 180:
      return [-scale, 0, 0, scale, maxX * scale, -minY * scale];
    case 270:
      return [0, -scale, -scale, 0, maxY * scale, maxX * scale];
    default:
      return [scale, 0, 0, -scale, -minX * scale, maxY * scale];
  }
}

/** A map of what is seen of a page (display points) as one of its user space. */
export function mapAsSeen(page: PageBox, seen: Matrix): Matrix {
  const display = displayMatrix(page);
  return thenMatrix(thenMatrix(display, seen), invertMatrix(display));
}

/** The box of a page of `width` × `height` points at the origin, not turned. */
export const plainPage = (width: number, height: number): PageBox => ({
  box: box(0, 0, width, height),
  rotate: 0,
  userUnit: 1,
});

/** The area around places of a page, upright as it is seen: its corners in user space, from the upper left one clockwise. */
export function areaAsSeen(page: PageBox, places: readonly Vec[]): readonly [Vec, Vec, Vec, Vec] {
  const display = displayMatrix(page);
  const { minX, minY, maxX, maxY } = boxOfPoints(places.map((place) => transform(display, place)));
  const back = invertMatrix(display);
  const corner = (x: number, y: number): Vec => transform(back, { x, y });
  return [corner(minX, minY), corner(maxX, minY), corner(maxX, maxY), corner(minX, maxY)];
}

import {
  boxHeight,
  boxWidth,
  displayMatrix,
  displaySize,
  type Matrix,
  type PageBox,
  thenMatrix,
  transformBox,
} from '../geometry/index.ts';
import type { Page } from '../document/index.ts';
import type { Placed, Window } from '../pdfium/index.ts';

/** Pixels a point, where that makes no more pixels than there is room for. */
const DENSITY = 2;
const MOST_PIXELS = 8_000_000;

/** The pixels in which a page of a copy is compared. */
export interface PictureGrid {
  readonly width: number;
  readonly height: number;
  /** From user space to pixels. */
  readonly matrix: Matrix;
  /** Where the page of the source lies, as PDFium draws it; null where there is none. */
  readonly source: Window | null;
  /** Where the page of the copy lies. */
  readonly copy: Placed;
}

/**
 * Lays the page of a source on whole pixels, since it is drawn with the values of its fields there; the copy, which may
 * be wider or cut down, and all that is painted follow it.
 */
export function pictureGrid(geometry: PageBox, page: Page | null): PictureGrid {
  const size = displaySize(geometry);
  const density = Math.min(DENSITY, Math.sqrt(MOST_PIXELS / (size.width * size.height)));
  const display = displayMatrix(geometry);
  const sheet = transformBox(display, page?.sheet ?? geometry.box);
  const across = Math.max(1, Math.round(boxWidth(sheet) * density));
  const down = Math.max(1, Math.round(boxHeight(sheet) * density));
  const scale = { x: across / boxWidth(sheet), y: down / boxHeight(sheet) };
  const corner = { x: Math.round(sheet.minX * scale.x), y: Math.round(sheet.minY * scale.y) };
  const shift = { x: corner.x - sheet.minX * scale.x, y: corner.y - sheet.minY * scale.y };
  const width = Math.max(1, Math.round(size.width * scale.x));
  const height = Math.max(1, Math.round(size.height * scale.y));
  const { userUnit } = geometry;
  return {
    width,
    height,
    matrix: thenMatrix(display, [scale.x, 0, 0, scale.y, shift.x, shift.y]),
    source:
      page && 'source' in page.shows
        ? { width, height, page: { ...corner, width: across, height: down }, turn: page.turn }
        : null,
    // PDFium measures pages in user space, whatever its unit.
    copy: { width, height, scale: { x: scale.x * userUnit, y: scale.y * userUnit }, shift },
  };
}

import type { PdfiumModule } from './module.ts';
import { openPages } from './openPages.ts';
import type { Raster } from './raster.ts';
import { wholePage } from './window.ts';

/**
 * Draws the first page of a PDF so that it fills a picture, on white, or on nothing; null where the page cannot be drawn.
 * @throws PdfRefusal when the PDF cannot be read
 * @throws RangeError when there is no room for the picture
 */
export function drawFirst(
  module: PdfiumModule,
  bytes: Uint8Array,
  width: number,
  height: number,
  onNothing = false,
): Raster | null {
  const open = openPages(module, bytes);
  try {
    return open.page(0, (page) => page.draw(wholePage(width, height), onNothing));
  } finally {
    open.close();
  }
}

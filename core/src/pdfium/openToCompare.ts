import { type Print, readPrint } from '../print/index.ts';
import type { PdfiumModule } from './module.ts';
import { openPages } from './openPages.ts';
import { openPrint } from './openPrint.ts';
import type { Raster } from './raster.ts';
import { wholePage } from './window.ts';

/** A PDF whose pages are compared with those of another: by what is printed on them, and by how they look. */
export interface OpenToCompare {
  /** What is printed on a page, from 0. */
  print(page: number): Print;
  /** A page, from 0, as it is seen, on white; null where it cannot be drawn. @throws RangeError when there is no room for the picture */
  picture(page: number): Raster | null;
  close(): void;
}

/**
 * Opens a PDF in PDFium. The bytes are copied.
 * @param width of the pictures, pixels
 * @throws PdfRefusal when it needs another password, or cannot be read
 */
export function openToCompare(
  module: PdfiumModule,
  bytes: Uint8Array,
  width: number,
  password?: string,
): OpenToCompare {
  const printed = openPrint(module, bytes, password);
  const pages = openPages(module, bytes, password);
  return {
    print: (page) => readPrint(printed.raw(page)),
    picture: (page) =>
      pages.page(page, ({ size, draw }) =>
        draw(wholePage(width, Math.round((width * size.height) / size.width))),
      ),
    close() {
      printed.close();
      pages.close();
    },
  };
}

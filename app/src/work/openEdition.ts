import { type EditionFile, PICTURE_WIDTH } from '@marginalis/core/edition';
import { openPages, openPrint, wholePage } from '@marginalis/core/pdfium';
import { readPrint } from '@marginalis/core/print';
import type { EditionAsk } from './contract';
import type { startPdfium } from './startPdfium';

/** The file of an edition, opened to be compared. @throws PdfRefusal */
export function openEdition(
  module: Awaited<ReturnType<typeof startPdfium>>,
  { bytes, password, pages }: EditionAsk,
): { readonly file: EditionFile; close(): void } {
  const print = openPrint(module, bytes, password);
  const drawn = openPages(module, bytes, password);
  return {
    file: {
      pages,
      print: (page) => readPrint(print.raw(page)),
      picture: (page) =>
        drawn.page(page, ({ size, draw }) =>
          draw(wholePage(PICTURE_WIDTH, Math.round((PICTURE_WIDTH * size.height) / size.width))),
        ),
    },
    close() {
      print.close();
      drawn.close();
    },
  };
}

import { PdfRefusal } from '../document/index.ts';
import type { DrawnShapes, RawPrint, TaggedPage } from '../print/index.ts';
import type { PdfiumModule } from './module.ts';
import { pictureShare } from './pictureShare.ts';
import { readRaw } from './readRaw.ts';
import { readShapes } from './readShapes.ts';
import { readTagged } from './readTagged.ts';

/** A PDF whose print can be read. */
export interface OpenPrint {
  readonly pageCount: number;
  /** Whether the file says what its parts are: headings, lists, what is told in place of pictures. */
  readonly isTagged: boolean;
  /** The characters of a page, from 0; none where the page cannot be read. */
  raw(page: number): RawPrint;
  /** The same, and what a tagged file says of them. */
  tagged(page: number): TaggedPage;
  /** What share of a page, from 0, its largest picture covers, 0–1. */
  pictureShare(page: number): number;
  /** The rules and dots that a page, from 0, draws. */
  shapes(page: number): DrawnShapes;
  close(): void;
}

/** Of FPDF_GetLastError (fpdfview.h). */
const PASSWORD = 4;

/**
 * Opens a PDF in PDFium. The bytes are copied.
 * @throws PdfRefusal when it needs another password, or cannot be read
 */
export function openPrint(module: PdfiumModule, bytes: Uint8Array, password?: string): OpenPrint {
  const { wasmExports: pdfium } = module;
  const held = pdfium.malloc(bytes.length);
  // It is larger than there is memory for.
  if (held === 0) throw new PdfRefusal('damaged');
  module.HEAPU8.set(bytes, held);
  const secret = password === undefined ? 0 : putString(module, password);
  const document = pdfium.FPDF_LoadMemDocument(held, bytes.length, secret);
  if (secret) pdfium.free(secret);
  if (document === 0) {
    pdfium.free(held);
    if (pdfium.FPDF_GetLastError() === PASSWORD)
      throw new PdfRefusal(password === undefined ? 'locked' : 'wrong-password');
    throw new PdfRefusal('damaged');
  }
  return {
    pageCount: pdfium.FPDF_GetPageCount(document),
    isTagged: pdfium.FPDFCatalog_IsTagged(document) !== 0,
    raw: (page) => readRaw(module, document, page),
    tagged: (page) => readTagged(module, document, page),
    shapes: (page) => readShapes(module, document, page),
    pictureShare: (page) => pictureShare(module, document, page),
    close() {
      pdfium.FPDF_CloseDocument(document);
      pdfium.free(held);
    },
  };
}

/** A string in PDFium's memory, as its interface wants passwords: UTF-8, ended by zero. Whoever puts it there frees it. */
function putString(module: PdfiumModule, text: string): number {
  // No character takes more than three bytes for each of its UTF-16 units.
  const room = 3 * text.length + 1;
  const at = module.wasmExports.malloc(room);
  module.stringToUTF8(text, at, room);
  return at;
}

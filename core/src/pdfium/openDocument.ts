import { PdfRefusal } from '../document/index.ts';
import type { PdfiumModule } from './module.ts';

/** A document that is open in PDFium. */
export interface OpenDocument {
  readonly handle: number;
  readonly pageCount: number;
  close(): void;
}

/** Of FPDF_GetLastError (fpdfview.h). */
const PASSWORD = 4;

/**
 * Opens a PDF in PDFium. The bytes are copied.
 * @throws PdfRefusal when it needs another password, or cannot be read
 */
export function openDocument(
  module: PdfiumModule,
  bytes: Uint8Array,
  password?: string,
): OpenDocument {
  const { wasmExports: pdfium } = module;
  const held = pdfium.malloc(bytes.length);
  // It is larger than there is memory for.
  if (held === 0) throw new PdfRefusal('damaged');
  module.HEAPU8.set(bytes, held);
  const secret = password === undefined ? 0 : putString(module, password);
  const handle = pdfium.FPDF_LoadMemDocument(held, bytes.length, secret);
  if (secret) pdfium.free(secret);
  if (handle === 0) {
    pdfium.free(held);
    if (pdfium.FPDF_GetLastError() === PASSWORD)
      throw new PdfRefusal(password === undefined ? 'locked' : 'wrong-password');
    throw new PdfRefusal('damaged');
  }
  return {
    handle,
    pageCount: pdfium.FPDF_GetPageCount(handle),
    close() {
      pdfium.FPDF_CloseDocument(handle);
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

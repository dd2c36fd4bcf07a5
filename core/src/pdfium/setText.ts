import type { PdfiumModule } from './module.ts';

/** Sets an entry of an annotation to a text, in memory only. PDFium takes texts for names where it looks for these. */
export function setText(module: PdfiumModule, annotation: number, key: string, text: string): void {
  const { wasmExports: pdfium } = module;
  // A key of eight bits a letter, and a text of sixteen, at an even place.
  const room = 2 * Math.ceil((key.length + 1) / 2);
  const held = pdfium.malloc(room + 2 * (text.length + 1));
  module.stringToUTF8(key, held, room);
  const letters = [...text, '\0'].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8]);
  module.HEAPU8.set(letters, held + room);
  pdfium.FPDFAnnot_SetStringValue(annotation, held, held + room);
  pdfium.free(held);
}

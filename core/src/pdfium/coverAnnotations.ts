import type { Covered } from '../kinds/index.ts';
import type { PdfiumModule } from './module.ts';

/** Annotation flag (ISO 32000-1 §12.5.3). */
const HIDDEN = 2;

/** Hides annotations of an open page, in memory only, or switches them to a state. */
export function coverAnnotations(
  { wasmExports: pdfium, stringToUTF8, HEAPU8 }: PdfiumModule,
  page: number,
  covered: readonly Covered[],
): void {
  for (const { index, state } of covered) {
    const annotation = pdfium.FPDFPage_GetAnnot(page, index);
    if (annotation === 0) continue;
    if (state === null)
      pdfium.FPDFAnnot_SetFlags(annotation, pdfium.FPDFAnnot_GetFlags(annotation) | HIDDEN);
    else {
      // A key of eight bits a letter, and a text of sixteen.
      const held = pdfium.malloc(4 + 2 * (state.length + 1));
      stringToUTF8('AS', held, 4);
      const letters = [...state, '\0'].flatMap((c) => [
        c.charCodeAt(0) & 255,
        c.charCodeAt(0) >> 8,
      ]);
      HEAPU8.set(letters, held + 4);
      pdfium.FPDFAnnot_SetStringValue(annotation, held, held + 4);
      pdfium.free(held);
    }
    pdfium.FPDFPage_CloseAnnot(annotation);
  }
}

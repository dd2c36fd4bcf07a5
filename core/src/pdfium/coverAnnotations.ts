import type { Covered } from '../kinds/index.ts';
import type { PdfiumModule } from './module.ts';
import { setText } from './setText.ts';

/** Annotation flag (ISO 32000-1 §12.5.3). */
const HIDDEN = 2;

/** Hides annotations of an open page, in memory only, or switches them to a state. */
export function coverAnnotations(
  module: PdfiumModule,
  page: number,
  covered: readonly Covered[],
): void {
  const { wasmExports: pdfium } = module;
  for (const { index, state } of covered) {
    const annotation = pdfium.FPDFPage_GetAnnot(page, index);
    if (annotation === 0) continue;
    if (state === null)
      pdfium.FPDFAnnot_SetFlags(annotation, pdfium.FPDFAnnot_GetFlags(annotation) | HIDDEN);
    else setText(module, annotation, 'AS', state);
    pdfium.FPDFPage_CloseAnnot(annotation);
  }
}

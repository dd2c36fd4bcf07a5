import type { PdfiumModule } from './module.ts';

/** Of FPDFAnnot_GetSubtype (fpdf_annot.h): those whose appearance may say something that is read as print is. */
const SAYS = new Set([
  /** Typed text. */ 3, /** A line with a caption. */ 4, /** A stamp. */ 13,
  /** A form field. */ 20,
  /** One that was taken for something else when it was drawn (`FieldsInOrder`). */ 0,
]);

/** So many annotations of a page are looked at. */
const MOST = 2_000;
/** Of FPDFPage_Flatten: as they are seen on the screen; and that it did something. */
const AS_SEEN = 0;
const DONE = 1;

/**
 * Loads a page with what its annotations show drawn into it, in memory only: typed text and the values of form fields are read like print. 0 where PDFium cannot
 * read the page.
 */
export function loadWithAnnotations(
  { wasmExports: pdfium }: PdfiumModule,
  document: number,
  index: number,
): number {
  const page = pdfium.FPDF_LoadPage(document, index);
  if (page === 0 || !hasWords(pdfium, page)) return page;
  if (pdfium.FPDFPage_Flatten(page, AS_SEEN) !== DONE) return page;
  pdfium.FPDF_ClosePage(page);
  return pdfium.FPDF_LoadPage(document, index);
}

/** Whether an open page has annotations that may say something. */
export function hasWords(pdfium: PdfiumModule['wasmExports'], page: number): boolean {
  const count = Math.min(MOST, pdfium.FPDFPage_GetAnnotCount(page));
  for (let k = 0; k < count; k++) {
    const annotation = pdfium.FPDFPage_GetAnnot(page, k);
    if (annotation === 0) continue;
    const says = SAYS.has(pdfium.FPDFAnnot_GetSubtype(annotation));
    pdfium.FPDFPage_CloseAnnot(annotation);
    if (says) return true;
  }
  return false;
}

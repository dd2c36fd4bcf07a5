import type { PdfiumModule } from './module.ts';

/** Of FPDFPageObj_GetType (fpdf_edit.h). */
const IMAGE = 3;
const FORM = 5;

/** So many objects of a page are looked at, and so deep: a file made to harm may hold more. */
const MOST_OBJECTS = 20_000;
const DEEPEST = 4;

/** What share of a page (from 0) its largest picture covers, 0–1; 0 where PDFium cannot read it. */
export function pictureShare(module: PdfiumModule, document: number, index: number): number {
  const { wasmExports: pdfium } = module;
  const page = pdfium.FPDF_LoadPage(document, index);
  if (page === 0) return 0;
  const box = pdfium.malloc(16);
  try {
    const all = pdfium.FPDF_GetPageWidthF(page) * pdfium.FPDF_GetPageHeightF(page);
    let largest = 0;
    const count = Math.min(MOST_OBJECTS, pdfium.FPDFPage_CountObjects(page));
    for (let k = 0; k < count; k++) {
      const object = pdfium.FPDFPage_GetObject(page, k);
      if (!isPicture(module, object, 0)) continue;
      if (!pdfium.FPDFPageObj_GetBounds(object, box, box + 4, box + 8, box + 12)) continue;
      const [left, bottom, right, top] = module.HEAPF32.subarray(box >> 2, (box >> 2) + 4);
      largest = Math.max(largest, (right - left) * (top - bottom));
    }
    return all > 0 ? Math.min(1, largest / all) : 0;
  } finally {
    pdfium.free(box);
    pdfium.FPDF_ClosePage(page);
  }
}

/** A picture, or a form that holds one. */
function isPicture(module: PdfiumModule, object: number, depth: number): boolean {
  const { wasmExports: pdfium } = module;
  const type = pdfium.FPDFPageObj_GetType(object);
  if (type !== FORM || depth === DEEPEST) return type === IMAGE;
  const count = Math.min(MOST_OBJECTS, pdfium.FPDFFormObj_CountObjects(object));
  for (let k = 0; k < count; k++)
    if (isPicture(module, pdfium.FPDFFormObj_GetObject(object, k), depth + 1)) return true;
  return false;
}

import type { Covered } from '../kinds/index.ts';
import type { PdfiumModule } from './module.ts';
import { setText } from './setText.ts';
import type { Box } from '../geometry/index.ts';

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

/** Of FPDFAnnot_GetSubtype: a link. */
const LINK = 2;
/** Numbers are held as floats, points. */
const SAME = 0.05;

/** Hides the links that lie at these places of an open page, in memory only; what it returns shows them again. */
export function hideLinks(module: PdfiumModule, page: number, areas: readonly Box[]): () => void {
  if (areas.length === 0) return () => undefined;
  const { wasmExports: pdfium } = module;
  const hidden: { readonly index: number; readonly flags: number }[] = [];
  const setFlags = (index: number, flags: number): void => {
    const annotation = pdfium.FPDFPage_GetAnnot(page, index);
    pdfium.FPDFAnnot_SetFlags(annotation, flags);
    pdfium.FPDFPage_CloseAnnot(annotation);
  };
  for (let index = pdfium.FPDFPage_GetAnnotCount(page) - 1; index >= 0; index--) {
    const annotation = pdfium.FPDFPage_GetAnnot(page, index);
    if (annotation === 0) continue;
    const isLink = pdfium.FPDFAnnot_GetSubtype(annotation) === LINK;
    const area = isLink ? areaOf(module, annotation) : null;
    if (area && areas.some((one) => isSame(one, area)))
      hidden.push({ index, flags: pdfium.FPDFAnnot_GetFlags(annotation) });
    pdfium.FPDFPage_CloseAnnot(annotation);
  }
  for (const { index, flags } of hidden) setFlags(index, flags | HIDDEN);
  return () => {
    for (const { index, flags } of hidden) setFlags(index, flags);
  };
}

function areaOf(module: PdfiumModule, annotation: number): Box {
  const { wasmExports: pdfium } = module;
  const held = pdfium.malloc(16);
  pdfium.FPDFAnnot_GetRect(annotation, held);
  const [left, top, right, bottom] = module.HEAPF32.subarray(held >> 2, (held >> 2) + 4);
  pdfium.free(held);
  return {
    minX: Math.min(left, right),
    minY: Math.min(top, bottom),
    maxX: Math.max(left, right),
    maxY: Math.max(top, bottom),
  };
}

const isSame = (a: Box, b: Box): boolean =>
  (['minX', 'minY', 'maxX', 'maxY'] as const).every((side) => Math.abs(a[side] - b[side]) <= SAME);

import type { PDFArray, PDFContext } from '@cantoo/pdf-lib';
import { displayMatrix, invertMatrix, transform, type Vec } from '../../geometry/index.ts';
import type { GatheredPage } from './gather.ts';

/** A place of a page, in user space, at the upper left of the window, as large as the page is shown (ISO 32000-1 §12.3.2.2); its own corner with null. */
export function destination(
  context: PDFContext,
  { page, pdf }: GatheredPage,
  at: Vec | null,
): PDFArray {
  const { x, y } = at ?? transform(invertMatrix(displayMatrix(page)), { x: 0, y: 0 });
  return context.obj([pdf.ref, 'XYZ', x, y, null]) as PDFArray;
}

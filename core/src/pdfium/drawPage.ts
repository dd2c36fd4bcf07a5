import type { PdfiumModule } from './module.ts';
import type { Raster, Window } from './raster.ts';

/** Of FPDF_RenderPageBitmap (fpdfview.h): with annotations; red first. */
const WITH_ANNOTATIONS = 0x01;
const RED_FIRST = 0x10;
const WHITE = 0xffffffff;

/**
 * Draws what of an open page is seen in a window, on white; with the fields of an open form.
 * @throws RangeError when there is no room for the picture
 */
export function drawPage(
  module: PdfiumModule,
  page: number,
  form: number,
  { width, height, page: whole, turn }: Window,
): Raster {
  const { wasmExports: pdfium } = module;
  const bitmap = pdfium.FPDFBitmap_Create(width, height, 0);
  if (bitmap === 0) throw new RangeError(`There is no room for ${width} × ${height} pixels.`);
  try {
    pdfium.FPDFBitmap_FillRect(bitmap, 0, 0, width, height, WHITE);
    const [left, top, wide, high] = [whole.x, whole.y, whole.width, whole.height].map(Math.round);
    const flags = WITH_ANNOTATIONS | RED_FIRST;
    pdfium.FPDF_RenderPageBitmap(bitmap, page, left, top, wide, high, turn / 90, flags);
    if (form) pdfium.FPDF_FFLDraw(form, bitmap, page, left, top, wide, high, turn / 90, flags);
    const stride = pdfium.FPDFBitmap_GetStride(bitmap);
    const from = pdfium.FPDFBitmap_GetBuffer(bitmap);
    // Taken now: the memory may have grown, and moved, while the page was drawn.
    const memory = module.HEAPU8;
    const data = new Uint8ClampedArray(width * height * 4);
    for (let y = 0; y < height; y++)
      data.set(memory.subarray(from + y * stride, from + y * stride + 4 * width), 4 * y * width);
    // Without opacity of its own a bitmap says nothing in the fourth byte.
    const pixels = new Uint32Array(data.buffer);
    for (let k = 0; k < pixels.length; k++) pixels[k] |= 0xff000000;
    return { width, height, data };
  } finally {
    pdfium.FPDFBitmap_Destroy(bitmap);
  }
}

import { FieldsInOrder } from './fieldsInOrder.ts';
import type { PdfiumModule } from './module.ts';
import type { Placed, Raster, Window } from './raster.ts';

/** Of FPDF_RenderPageBitmap (fpdfview.h): with annotations; red first. */
const FLAGS = 0x01 | 0x10;
const WHITE = 0xffffffff;
const NOTHING = 0;
/** Of a matrix (FS_MATRIX) and of a rectangle (FS_RECTF), floats. */
const MATRIX = 6;
const RECTANGLE = 4;

/**
 * Draws what of an open page is seen in a window, on white, or on nothing; with the fields of an open form.
 * @throws RangeError when there is no room for the picture
 */
export const drawPage = (
  module: PdfiumModule,
  page: number,
  form: number,
  { width, height, page: at, turn }: Window,
  onNothing = false,
): Raster =>
  drawn(module, width, height, onNothing ? NOTHING : WHITE, (bitmap) => {
    const { wasmExports: pdfium } = module;
    const quarters = turn / 90;
    pdfium.FPDF_RenderPageBitmap(bitmap, page, at.x, at.y, at.width, at.height, quarters, FLAGS);
    if (form)
      pdfium.FPDF_FFLDraw(form, bitmap, page, at.x, at.y, at.width, at.height, quarters, FLAGS);
  });

/**
 * Draws an open page at any scale and place, not rounded to pixels, on white; its fields among its other annotations, and over them those without a picture of their own, where a form is open.
 * It cannot be drawn otherwise afterwards.
 * @throws RangeError when there is no room for the picture
 */
export const drawPlaced = (
  module: PdfiumModule,
  page: number,
  form: number,
  { width, height, scale, shift }: Placed,
): Raster =>
  drawn(module, width, height, WHITE, (bitmap) => {
    const { wasmExports: pdfium } = module;
    const fields = new FieldsInOrder(module, page);
    const held = pdfium.malloc(4 * (MATRIX + RECTANGLE));
    module.HEAPF32.set([scale.x, 0, 0, scale.y, shift.x, shift.y, 0, 0, width, height], held >> 2);
    pdfium.FPDF_RenderPageBitmapWithMatrix(bitmap, page, held, held + 4 * MATRIX, FLAGS);
    pdfium.free(held);
    if (!form) return;
    const [x, y] = [shift.x, shift.y].map(Math.round);
    const across = Math.round(pdfium.FPDF_GetPageWidthF(page) * scale.x);
    const down = Math.round(pdfium.FPDF_GetPageHeightF(page) * scale.y);
    fields.whileHidden(() => pdfium.FPDF_FFLDraw(form, bitmap, page, x, y, across, down, 0, FLAGS));
  });

function drawn(
  module: PdfiumModule,
  width: number,
  height: number,
  ground: number,
  draw: (bitmap: number) => void,
): Raster {
  const { wasmExports: pdfium } = module;
  // With opacity: white is laid on all of it first, so that every pixel stays opaque.
  const bitmap = pdfium.FPDFBitmap_Create(width, height, 1);
  if (bitmap === 0) throw new RangeError(`There is no room for ${width} × ${height} pixels.`);
  try {
    pdfium.FPDFBitmap_FillRect(bitmap, 0, 0, width, height, ground);
    draw(bitmap);
    const stride = pdfium.FPDFBitmap_GetStride(bitmap);
    const from = pdfium.FPDFBitmap_GetBuffer(bitmap);
    // Taken now: the memory may have grown, and moved, while the page was drawn.
    const memory = module.HEAPU8;
    const data = new Uint8ClampedArray(width * height * 4);
    if (stride === 4 * width) data.set(memory.subarray(from, from + data.length));
    else
      for (let y = 0; y < height; y++)
        data.set(memory.subarray(from + y * stride, from + y * stride + 4 * width), 4 * y * width);
    return { width, height, data };
  } finally {
    pdfium.FPDFBitmap_Destroy(bitmap);
  }
}

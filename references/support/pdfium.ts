import type { WrappedPdfiumModule } from '@embedpdf/pdfium';
import { loadPdfium } from '../../cli/pdfium';
import type { Picture } from './pictures';

/** A renderer that shares no code with pdf.js or with us. */

let loading: Promise<WrappedPdfiumModule> | null = null;

const pdfium = (): Promise<WrappedPdfiumModule> => (loading ??= loadPdfium());

interface Memory {
  readonly wasmExports: { malloc(n: number): number; free(p: number): void };
  readonly HEAPU8: Uint8Array;
}

const WITH_ANNOTATIONS = 1;

/** A document open in PDFium. */
export interface PdfiumDocument {
  /** A page (from 0) drawn `width` × `height` pixels on white, annotations included. */
  draw(index: number, width: number, height: number): Picture;
  /** The same at `dpi`, in the size that makes. */
  drawAt(index: number, dpi: number): Picture;
  close(): void;
}

export async function openInPdfium(bytes: Uint8Array, password = ''): Promise<PdfiumDocument> {
  const m = await pdfium();
  const module = m.pdfium as unknown as Memory;
  const { wasmExports } = module;
  const held = wasmExports.malloc(bytes.length);
  module.HEAPU8.set(bytes, held);
  const doc = m.FPDF_LoadMemDocument(held, bytes.length, password);
  if (doc === 0) {
    wasmExports.free(held);
    throw new Error('PDFium cannot open this document.');
  }
  const drawn = (page: number, width: number, height: number): Picture => {
    const bitmap = m.FPDFBitmap_Create(width, height, 0);
    try {
      m.FPDFBitmap_FillRect(bitmap, 0, 0, width, height, 0xffffffff);
      m.FPDF_RenderPageBitmap(bitmap, page, 0, 0, width, height, 0, WITH_ANNOTATIONS);
      const stride = m.FPDFBitmap_GetStride(bitmap);
      const from = m.FPDFBitmap_GetBuffer(bitmap);
      // Read now: the memory may have grown, and moved, while the page was drawn.
      const heap = module.HEAPU8;
      const data = new Uint8Array(width * height * 4);
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++) {
          const s = from + y * stride + 4 * x;
          const t = 4 * (y * width + x);
          // Blue comes first there.
          data[t] = heap[s + 2];
          data[t + 1] = heap[s + 1];
          data[t + 2] = heap[s];
          data[t + 3] = 255;
        }
      return { width, height, data };
    } finally {
      m.FPDFBitmap_Destroy(bitmap);
    }
  };
  const withPage = <T>(index: number, act: (page: number) => T): T => {
    const page = m.FPDF_LoadPage(doc, index);
    if (page === 0) throw new Error(`PDFium cannot open page ${index + 1}.`);
    try {
      return act(page);
    } finally {
      m.FPDF_ClosePage(page);
    }
  };
  return {
    draw: (index, width, height) => withPage(index, (page) => drawn(page, width, height)),
    drawAt: (index, dpi) =>
      withPage(index, (page) => {
        const pixels = (points: number): number => Math.max(1, Math.round((points * dpi) / 72));
        return drawn(page, pixels(m.FPDF_GetPageWidthF(page)), pixels(m.FPDF_GetPageHeightF(page)));
      }),
    close() {
      m.FPDF_CloseDocument(doc);
      wasmExports.free(held);
    },
  };
}

/** A page (from 0) drawn `width` × `height` pixels on white, annotations included. */
export async function renderPage(
  bytes: Uint8Array,
  index: number,
  width: number,
  height: number,
): Promise<Picture> {
  const doc = await openInPdfium(bytes);
  try {
    return doc.draw(index, width, height);
  } finally {
    doc.close();
  }
}

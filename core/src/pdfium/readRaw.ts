import type { RawPrint } from '../print/index.ts';
import { charactersOf } from './characters.ts';
import { loadWithAnnotations } from './drawAnnotations.ts';
import type { PdfiumModule } from './module.ts';

/** What is read of a page that PDFium cannot read. */
export const NOTHING: RawPrint = {
  codes: new Uint32Array(0),
  origins: new Float32Array(0),
  boxes: new Float32Array(0),
  sizes: new Float32Array(0),
  faces: new Uint32Array(0),
  angles: new Float32Array(0),
};

/** The characters of a page (from 0) of an open document; none where PDFium cannot read it. */
export const readRaw = (module: PdfiumModule, document: number, index: number): RawPrint =>
  onPage(module, document, index, NOTHING, (_, text) => charactersOf(module, text).raw);

/** Opens a page (from 0) and its text in PDFium for as long as it is read; `nothing` where it cannot be. */
export function onPage<T>(
  module: PdfiumModule,
  document: number,
  index: number,
  nothing: T,
  read: (page: number, text: number) => T,
): T {
  const { wasmExports: pdfium } = module;
  const page = loadWithAnnotations(module, document, index);
  if (page === 0) return nothing;
  const text = pdfium.FPDFText_LoadPage(page);
  try {
    return text === 0 ? nothing : read(page, text);
  } finally {
    if (text !== 0) pdfium.FPDFText_ClosePage(text);
    pdfium.FPDF_ClosePage(page);
  }
}

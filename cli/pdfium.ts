import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { init, type WrappedPdfiumModule } from '@embedpdf/pdfium';
import type { PdfiumModule } from '@marginalis/core/pdfium';

/** As it is installed; npm runs us from the project's folder. */
const PROGRAM = 'node_modules/@embedpdf/pdfium/dist/pdfium.wasm';

/** Starts PDFium, with its interface wrapped for single calls. Nothing is fetched. */
export async function loadPdfium(): Promise<WrappedPdfiumModule> {
  const file = await readFile(join(process.cwd(), PROGRAM));
  const wrapped = await init({ wasmBinary: new Uint8Array(file).buffer });
  wrapped.PDFiumExt_Init();
  return wrapped;
}

/** Starts PDFium as the core calls it. */
export async function startPdfium(): Promise<PdfiumModule> {
  return (await loadPdfium()).pdfium as unknown as PdfiumModule;
}

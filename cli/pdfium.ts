import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { init } from '@embedpdf/pdfium';
import type { PdfiumModule } from '@marginalis/core/pdfium';

/** Starts PDFium. Nothing is fetched: its program comes from the installed package. */
export async function startPdfium(): Promise<PdfiumModule> {
  const file = await readFile(
    createRequire(`${process.cwd()}/`).resolve('@embedpdf/pdfium/pdfium.wasm'),
  );
  const wasmBinary = new Uint8Array(file).buffer;
  const wrapped = await init({ wasmBinary });
  wrapped.PDFiumExt_Init();
  return wrapped.pdfium as unknown as PdfiumModule;
}

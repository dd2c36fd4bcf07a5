// First: PDFium asks for the address it came from as soon as it is read.
import './importMeta';
import { init } from '@embedpdf/pdfium';
import type { PdfiumModule } from '@marginalis/core/pdfium';

/** Served by ourselves, beside the application. */
const PROGRAM = '/pdfium/pdfium.wasm';

/** Starts PDFium in a worker. Rejects when its program cannot be fetched. */
export async function startPdfium(): Promise<PdfiumModule> {
  const response = await fetch(PROGRAM);
  if (!response.ok) throw new Error(`What reads print could not be fetched (${response.status}).`);
  const wrapped = await init({ wasmBinary: await response.arrayBuffer() });
  wrapped.PDFiumExt_Init();
  return wrapped.pdfium as unknown as PdfiumModule;
}

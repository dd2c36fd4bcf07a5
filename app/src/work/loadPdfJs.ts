import type * as pdfjs from 'pdfjs-dist';

type PdfJs = typeof pdfjs;

let loading: Promise<PdfJs> | null = null;

/** pdf.js in the form for older tablets too, with everything it fetches served by ourselves. */
export function loadPdfJs(): Promise<PdfJs> {
  loading ??= import('pdfjs-dist/legacy/build/pdf.mjs').then((pdfjs: PdfJs) => {
    pdfjs.GlobalWorkerOptions.workerSrc = '/pdfjs/pdf.worker.min.mjs';
    return pdfjs;
  });
  return loading;
}

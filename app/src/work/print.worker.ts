// First: PDFium asks for the address it came from as soon as it is read.
import './importMeta';
import { init } from '@embedpdf/pdfium';
import { PdfRefusal } from '@marginalis/core/document';
import { type OpenPrint, openPrint, type PdfiumModule } from '@marginalis/core/pdfium';
import { readPrint } from '@marginalis/core/print';
import type { PrintReply, PrintRequest } from './printReader';

/** Served by ourselves, beside the application. */
const PROGRAM = '/pdfium/pdfium.wasm';

async function startPdfium(): Promise<PdfiumModule> {
  const response = await fetch(PROGRAM);
  if (!response.ok) throw new Error(`What reads print could not be fetched (${response.status}).`);
  const wrapped = await init({ wasmBinary: await response.arrayBuffer() });
  wrapped.PDFiumExt_Init();
  return wrapped.pdfium as unknown as PdfiumModule;
}

const UNREADABLE = 'The words of this document cannot be read.';

let opening: Promise<OpenPrint> | null = null;

async function answerTo({ ask }: PrintRequest): Promise<PrintReply['answer']> {
  if (ask.is === 'open') {
    opening = startPdfium().then((module) => openPrint(module, ask.bytes, ask.password));
    return { ok: true, pageCount: (await opening).pageCount };
  }
  if (!opening) throw new Error('No document is open.');
  return { ok: true, print: readPrint((await opening).raw(ask.page)) };
}

self.onmessage = ({ data }: MessageEvent<PrintRequest>) => {
  const reply = (answer: PrintReply['answer']): void => {
    const print = 'print' in answer ? [answer.print.boxes.buffer as ArrayBuffer] : [];
    self.postMessage({ id: data.id, answer } satisfies PrintReply, { transfer: print });
  };
  answerTo(data).then(reply, (e: unknown) => {
    console.warn('Print was not read.', e);
    reply({ ok: false, message: e instanceof PdfRefusal ? e.message : UNREADABLE });
  });
};

import { type DocState, emptyDocument, pagesOfSource } from '@marginalis/core/document';
import { redact } from '@marginalis/core/editing';
import { inspectPdf } from '@marginalis/core/pdf';
import { openPrint } from '@marginalis/core/pdfium';
import { type Print, type Quad, readPrint } from '@marginalis/core/print';
import { startPdfium } from '../../cli/pdfium';
import { done } from '../../core/testing/marks';
import { objectsOf, streamsOf } from './programs';

/** What the source of these documents is called. */
export const SHA = 'a'.repeat(64);

/** A document without marks, pages `a0`, `a1` …, and the print of one of its pages, from 0. */
export async function opened(
  bytes: Uint8Array,
  index: number,
): Promise<{ document: DocState; print: Print }> {
  const open = openPrint(await startPdfium(), bytes);
  const print = readPrint(open.raw(index));
  open.close();
  const { pages } = await inspectPdf(bytes);
  return { document: emptyDocument(pagesOfSource(SHA, pages, (i) => `a${i}`)), print };
}

/** With a bar, called `bar`, over parts of a page. */
export const barred = (
  document: DocState,
  page: number,
  quads: readonly Quad[],
  says: string,
): DocState =>
  done(document, redact(document, [{ id: 'bar', page: `a${page}`, quads, says, madeAt: 1 }]));

/** Every string and every decoded stream of a file, as text. */
export function everything(bytes: Uint8Array): string {
  const streams = [...streamsOf(bytes).values()].map((data) =>
    Buffer.from(data, 'base64').toString('latin1'),
  );
  return [objectsOf(bytes), ...streams].join('\n');
}

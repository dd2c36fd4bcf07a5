import { readFileSync } from 'node:fs';
import { carryOver, type EditionPage } from '@marginalis/core/edition';
import { drawInk } from '@marginalis/core/editing';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  pagesOfSource,
} from '@marginalis/core/document';
import { FIRST_ROLL } from '@marginalis/core/marks';
import { inspectPdf } from '@marginalis/core/pdf';
import { openPrint } from '@marginalis/core/pdfium';
import { readPrint } from '@marginalis/core/print';
import { startPdfium } from '../cli/pdfium';
import { inTurn, type Row, timed } from './report';

const FILE = 'demo/documents/tide-almanac.pdf';
const MARKS = 400;
const ROUNDS = 5;

/** Marks of a long document carried over to an edition of which every tenth page is gone and the rest has moved on, beside reading the print of one edition. */
export async function benchCarryOver(): Promise<Row[]> {
  const bytes = new Uint8Array(readFileSync(FILE));
  const { pages } = await inspectPdf(bytes);
  const read = async (): Promise<EditionPage[]> => {
    const open = openPrint(await startPdfium(), bytes);
    const all = pages.map((page, k) => ({ ...page, print: readPrint(open.raw(k)) }));
    open.close();
    return all;
  };
  const was = await read();
  const is = was.filter((_, k) => k % 10 !== 3);
  let document: DocState = emptyDocument(pagesOfSource('a'.repeat(64), pages, (k) => `p${k}`));
  for (let n = 0; n < MARKS; n++) {
    const page = (37 * n) % was.length;
    const { words } = was[page].print;
    const { box } = words[(11 * n) % words.length];
    const samples = Array.from({ length: 20 }, (_, k) => ({
      ...{ x: box.minX + 2 * k, y: box.minY - 1, t: 8 * k, pressure: 0.5, tiltX: 0, tiltY: 0 },
    }));
    const stroke = { id: `m${n}`, page: `p${page}`, instrument: FIRST_ROLL[0], samples, madeAt: n };
    const done = applyTransaction(document, drawInk(document, stroke));
    if (done.ok) document = done.state;
  }
  const ids = was.map((page, k) => ({ ...page, ids: [`p${k}`] }));
  const found = await inTurn(
    ROUNDS,
    () => timed(() => carryOver({ document, was: ids, is, byPicture: new Map() })),
    () => timed(read),
  );
  const what = `${MARKS} marks on ${was.length} pages carried over to ${is.length}`;
  return [{ what, reference: 'reading the print of one edition', ...found }];
}

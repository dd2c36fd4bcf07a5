import { readFileSync } from 'node:fs';
import { deflate } from 'node:zlib';
import { promisify } from 'node:util';
import { PDFDocument } from '@cantoo/pdf-lib';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  pagesOfSource,
  type Transaction,
} from '@marginalis/core/document';
import { duplicatePages, interleavePages, movePages, turnPages } from '@marginalis/core/editing';
import { plainPage } from '@marginalis/core/geometry';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { pageRefsFor } from '../core/testing/marks';
import { inTurn, type Row, timed } from './report';

const FILE = 'demo/documents/tide-almanac.pdf';
const MOVED = 20;
const MANY = 3000;
const ROUNDS = 11;
const deflated = promisify(deflate);

const applied = (state: DocState, transaction: Transaction | null): DocState => {
  const result = transaction && applyTransaction(state, transaction);
  if (!result?.ok) throw new Error('Nothing was done.');
  return result.state;
};

/** A copy of a document whose pages were arranged, beside loading and saving its file; and what is done to very many pages. */
export async function benchPages(): Promise<Row[]> {
  const source = new Uint8Array(readFileSync(FILE));
  const { pages } = await inspectPdf(source);
  let state = emptyDocument(pageRefsFor(pages));
  for (let k = 0; k < MOVED; k++)
    state = applied(state, movePages(state, [state.pages[37 * k].id], state.pages[700 - k].id));
  const options = { deflate: async (b: Uint8Array) => new Uint8Array(await deflated(b)) };
  const copied = await inTurn(
    ROUNDS,
    () => timed(() => makeFixedCopy(source, state, options)),
    () => timed(async () => (await PDFDocument.load(source, { updateMetadata: false })).save()),
  );
  const many = emptyDocument(
    pagesOfSource(
      'a'.repeat(64),
      Array.from({ length: MANY }, () => plainPage(595, 842)),
      (k) => `p${k}`,
    ),
  );
  const half = many.pages.slice(MANY / 2).map(({ id }) => id);
  const all = many.pages.map(({ id }) => id);
  const own = await inTurn(
    ROUNDS,
    () =>
      timed(async () => {
        let count = 0;
        applied(many, movePages(many, half, null));
        applied(many, turnPages(many, all, 90));
        applied(many, interleavePages(many, all, true));
        applied(
          many,
          duplicatePages(many, all, () => `n${count++}`),
        );
      }),
    () => timed(async () => void JSON.parse(JSON.stringify(many.pages))),
  );
  return [
    {
      ...{ what: `fixed copy of 800 pages of which ${MOVED} were moved`, ...copied },
      reference: 'loading and saving the file with the same library',
    },
    {
      ...{ what: `${MANY} pages moved by half, turned, interleaved and duplicated`, ...own },
      reference: 'the same pages written as JSON and read',
    },
  ];
}

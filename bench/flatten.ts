import { readFileSync } from 'node:fs';
import { deflate } from 'node:zlib';
import { promisify } from 'node:util';
import { PDFDocument } from '@cantoo/pdf-lib';
import { applyTransaction, type DocState, emptyDocument } from '@marginalis/core/document';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { outlineOf } from '@marginalis/core/derived';
import { drawInk } from '@marginalis/core/editing';
import { FIRST_ROLL, writes } from '@marginalis/core/marks';
import { wavePath, writeAlong } from '../core/testing/hand';
import { pageRefsFor } from '../core/testing/marks';
import { seededRandom } from '../core/testing/seededRandom';
import { inTurn, type Row, timed } from './report';

const PAGES = 20;
const STROKES = 200;
const deflated = promisify(deflate);

export async function twentyPages(): Promise<Uint8Array> {
  const whole = await PDFDocument.load(readFileSync('demo/documents/handbook.pdf'));
  const doc = await PDFDocument.create();
  const pages = await doc.copyPages(
    whole,
    Array.from({ length: PAGES }, (_, i) => i + 2),
  );
  for (const page of pages) doc.addPage(page);
  return doc.save();
}

/** Writing of about the size of words, all over the pages. */
export function covered(pages: ReturnType<typeof pageRefsFor>, strokes = STROKES): DocState {
  const random = seededRandom(11);
  let state = emptyDocument(pages);
  for (const page of pages)
    for (let i = 0; i < strokes; i++) {
      const from = { x: 60 + 400 * random(), y: 80 + 680 * random() };
      const samples = writeAlong(wavePath(from, 40 + 40 * random(), 5, 3), { seed: i + 1 });
      const stroke = {
        id: `${page.id}-${i}`,
        page: page.id,
        instrument: FIRST_ROLL.filter(writes)[i % 4],
        samples,
        madeAt: i,
      };
      const applied = applyTransaction(state, drawInk(state, stroke));
      if (!applied.ok) throw new Error(applied.reason);
      state = applied.state;
    }
  return state;
}

/** Twenty pages with 4,000 strokes made into a fixed copy, against loading and saving the file alone. */
export async function benchFlatten(): Promise<Row[]> {
  const source = await twentyPages();
  const { pages } = await inspectPdf(source);
  const written = covered(pageRefsFor(pages));
  const options = { deflate: async (b: Uint8Array) => new Uint8Array(await deflated(b)) };
  let bytes = 0;
  const loadAndSave = (): Promise<number> =>
    timed(async () => (await PDFDocument.load(source, { updateMetadata: false })).save());
  const warm = await inTurn(
    5,
    () =>
      timed(async () => {
        bytes = (await makeFixedCopy(source, written, options)).bytes.length;
      }),
    loadAndSave,
  );
  // A document just opened has no outlines yet; marks of another identity have none kept.
  const cold = await inTurn(
    3,
    () => {
      const fresh: DocState = {
        ...written,
        marks: new Map(
          [...written.marks].map(([page, m]) => [
            page,
            new Map([...m].map(([id, mark]) => [id, { ...mark }])),
          ]),
        ),
      };
      return timed(() => makeFixedCopy(source, fresh, options));
    },
    loadAndSave,
  );
  let points = 0;
  for (const m of written.marks.values())
    for (const mark of m.values()) points += outlineOf(mark).coords.length / 2;
  console.log(
    `Flattening: ${(source.length / 1e6).toFixed(2)} MB in, ${(bytes / 1e6).toFixed(2)} MB out, ${Math.round(points / (PAGES * STROKES))} outline points a stroke, ${((bytes - source.length) / points).toFixed(2)} bytes an outline point.`,
  );
  const reference = 'loading and saving the file with the same library';
  return [
    {
      what: 'fixed copy of 20 pages, 4,000 strokes, outlines known',
      reference,
      ours: warm.ours,
      theirs: warm.theirs,
    },
    { what: 'the same, outlines made too', reference, ours: cold.ours, theirs: cold.theirs },
  ];
}

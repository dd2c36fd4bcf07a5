import { deflate } from 'node:zlib';
import { promisify } from 'node:util';
import type { CopyNote } from '@marginalis/core/copy';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { placeText, setBlock, setText } from '@marginalis/core/typesetter';
import { loadFace } from '../core/testing/faces';
import { pageRefsFor } from '../core/testing/marks';
import { covered, twentyPages } from './flatten';
import { inTurn, type Row, timed } from './report';

const zlib = promisify(deflate);
const NOTES_A_PAGE = 3;

/** Three on each of twenty pages, each with an answer. */
const notes: readonly CopyNote[] = Array.from({ length: 20 * NOTES_A_PAGE }, (_, k) => ({
  number: k + 1,
  place: {
    page: Math.floor(k / NOTES_A_PAGE),
    at: { x: 60, y: 700 - 200 * (k % NOTES_A_PAGE) },
    inMargin: true,
  },
  about: `Page ${Math.floor(k / NOTES_A_PAGE) + 1} · “the water stands in the pools”`,
  remarks: [
    { by: 'Ines Mara · 3 May 2026', text: 'How long does the water stand here at neap tide?' },
    { by: 'Teo · 4 May 2026', text: 'About five hours; measured on two days in April.' },
  ],
  task: '',
  labels: [],
  settled: '',
}));

/** A fixed copy with sixty notes, against the same without. */
export async function benchCopyNotes(): Promise<Row[]> {
  const source = await twentyPages();
  const document = covered(pageRefsFor((await inspectPdf(source)).pages));
  const options = {
    deflate: async (b: Uint8Array) => new Uint8Array(await zlib(b)),
    face: loadFace,
    typesetter: { setText, placeText, setBlock },
  };
  const without = (): Promise<number> => timed(() => makeFixedCopy(source, document, options));
  const rows: Row[] = [];
  for (const notesAt of ['end', 'beside'] as const) {
    const times = await inTurn(
      5,
      () => timed(() => makeFixedCopy(source, document, { ...options, notes, notesAt })),
      without,
    );
    rows.push({
      what: `fixed copy of 20 pages, 4,000 strokes, 60 notes ${notesAt === 'end' ? 'at the end' : 'beside the pages'}`,
      reference: 'the same copy without its notes',
      ...times,
    });
  }
  return rows;
}

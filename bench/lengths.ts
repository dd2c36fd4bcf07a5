import { emptyDocument } from '@marginalis/core/document';
import { inspectPdf, makeFixedCopy } from '@marginalis/core/pdf';
import { rawPdf, type RawObject, rawStream } from '../core/testing/rawPdf';
import { seededRandom } from '../core/testing/seededRandom';
import { inTurn, type Row, timed } from './report';

const ROUNDS = 5;

/** Pages of noise, `bytes` each, their lengths in place or in objects of their own. */
function documentOf(pages: number, bytes: number, elsewhere: boolean): Uint8Array {
  const random = seededRandom(7);
  const noise = Uint8Array.from({ length: bytes }, () => 33 + Math.floor(90 * random()));
  const page = (i: number): RawObject[] => [
    [
      3 * i + 3,
      `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 300 400] /Contents ${3 * i + 4} 0 R >>`,
    ],
    [3 * i + 4, rawStream(`/Length ${elsewhere ? `${3 * i + 5} 0 R` : bytes}`, noise)],
    [3 * i + 5, String(bytes)],
  ];
  const all = Array.from({ length: pages }, (_, i) => i);
  return rawPdf([
    [1, '<< /Type /Catalog /Pages 2 0 R >>'],
    [
      2,
      `<< /Type /Pages /Count ${pages} /Kids [${all.map((i) => `${3 * i + 3} 0 R`).join(' ')}] >>`,
    ],
    ...all.flatMap(page),
  ]);
}

async function through(file: Uint8Array): Promise<void> {
  await inspectPdf(file);
  await makeFixedCopy(file, emptyDocument([]));
}

/** Opening and copying long files whose streams' lengths stand in other objects, against lengths in place. */
export async function benchLengths(): Promise<Row[]> {
  const rows: Row[] = [];
  for (const [pages, bytes] of [
    [480, 20_000],
    [480, 100_000],
  ]) {
    const [ours, theirs] = [true, false].map((elsewhere) => documentOf(pages, bytes, elsewhere));
    const times = await inTurn(
      ROUNDS,
      () => timed(() => through(ours)),
      () => timed(() => through(theirs)),
    );
    rows.push({
      what: `opening and copying ${pages} pages, ${Math.round(ours.length / 1e6)} MB, lengths elsewhere`,
      reference: 'the same, lengths in place',
      ...times,
    });
  }
  return rows;
}

import { readFileSync } from 'node:fs';
import { inspectPdf } from '@marginalis/core/pdf';
import { DAMAGE } from '../core/testing/damage';
import { markedCopy } from './support/markedCopy';
import { differingShare } from './support/pictures';
import { complaintOfQpdf, newComplaints, pictureBy } from './support/programs';
import { READER_NAMES } from './support/readers';
import { hybridPdf, REWRITTEN } from './support/writers';

jest.setTimeout(300_000);

const handbook = new Uint8Array(readFileSync('demo/documents/handbook.pdf'));
const ALL = process.env.REFERENCES === 'all';
const WHOLE = [
  ...Object.entries(REWRITTEN).map(([how, write]) => ({ how, bytes: () => write(handbook) })),
  { how: 'hybrid', bytes: hybridPdf },
].filter(({ how }) => ALL || how === 'with object streams' || how === 'hybrid');
const CASES = WHOLE.flatMap(({ how, bytes }) =>
  Object.entries(DAMAGE).map(([damage, harm]) => ({ how, damage, bytes, harm })),
);
/** All six where every reference is checked; else the two that share nothing. */
const readers = ALL ? READER_NAMES : (['PDFium'] as const);

test.each(CASES)(
  '$how, $damage: the copy is sound and looks as that of the whole file',
  async ({ bytes, harm }) => {
    const whole = bytes();
    const damaged = harm(whole);
    expect(damaged).not.toEqual(whole);
    const wanted = await markedCopy(whole);
    const { copy } = await markedCopy(damaged);
    expect(copy.pages).toBe(wanted.copy.pages);
    expect(complaintOfQpdf(copy.bytes)).toBeNull();
    expect(newComplaints(whole, copy.bytes)).toEqual([]);
    for (const reader of readers) {
      const [is, was] = await Promise.all(
        [copy, wanted.copy].map(({ bytes: b }) => pictureBy(reader, b, 1, 72)),
      );
      expect([reader, differingShare(is, was)]).toEqual([reader, 0]);
    }
  },
);

test('a hybrid file is read with what its second table holds', async () => {
  expect((await inspectPdf(hybridPdf())).pages).toHaveLength(1);
  const { copy } = await markedCopy(hybridPdf());
  expect(newComplaints(hybridPdf(), copy.bytes)).toEqual([]);
});

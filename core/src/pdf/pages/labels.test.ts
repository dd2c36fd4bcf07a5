import { PDFDict, PDFDocument, PDFHexString, PDFName, PDFNumber } from '@cantoo/pdf-lib';
import { keepLabels, readLabels, spell } from './labels.ts';

// Styles: ISO 32000-1, table 159. Roman numbers from memory.
test.each([
  ['D', 'A-', 8, 'A-8'],
  ['r', '', 4, 'iv'],
  ['R', '', 1994, 'MCMXCIV'],
  ['a', '', 26, 'z'],
  ['a', '', 27, 'aa'],
  ['A', '', 53, 'AAA'],
  [null, 'Cover', 3, 'Cover'],
])('style %s with prefix "%s" and number %d reads %s', (style, prefix, number, wanted) => {
  expect(spell({ style, prefix, number })).toBe(wanted);
});

/** The labels of a document of two pages with one put in between, after they were kept. */
async function keptWith(start: number, style: string) {
  const doc = await PDFDocument.create();
  const { context } = doc;
  const range = context.obj({ S: style }) as PDFDict;
  range.set(PDFName.of('St'), PDFNumber.of(start));
  doc.catalog.set(PDFName.of('PageLabels'), context.obj({ Nums: [0, range] }));
  const labels = readLabels(doc, 2);
  keepLabels(doc, [{ index: 0, labels }, null, { index: 1, labels }]);
  const kept = doc.catalog.lookup(PDFName.of('PageLabels'), PDFDict);
  return kept.lookup(PDFName.of('Nums'))?.toString() ?? '';
}

test('a page put in carries the label before it and a letter', async () => {
  const kept = await keptWith(3, 'r');
  expect(kept).toContain(PDFHexString.fromText('iii').toString());
  expect(kept).toMatch(/\/St 4/);
});

test('pages of a document without labels are numbered as they stand, among those of one that has some; where none has, nothing is said', async () => {
  const doc = await PDFDocument.create();
  const labels = [{ style: 'r', prefix: '', number: 7 }];
  keepLabels(doc, [
    { index: 0, labels: null },
    { index: 0, labels },
    { index: 4, labels: null },
  ]);
  const all = readLabels(doc, 3);
  expect(all?.map(spell)).toEqual(['1', 'vii', '3']);
  keepLabels(doc, [{ index: 0, labels: null }]);
  expect(readLabels(doc, 1)).toBeNull();
});

test.each([2_147_483_647, 1e300, Infinity, NaN, -7, 2.5])(
  'a first number of %d in a damaged file makes no endless label',
  async (start) => {
    for (const style of ['r', 'R', 'a', 'A', 'D']) {
      const kept = await keptWith(start, style);
      expect(kept.length).toBeLessThan(400);
      expect(kept).not.toMatch(/NaN|Infinity/);
    }
  },
);

import { PDFDict, PDFDocument, PDFHexString, PDFName, PDFNumber } from '@cantoo/pdf-lib';
import { keepLabels, spell } from './labels.ts';

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
  keepLabels(doc, 2, [0, null, 1]);
  const kept = doc.catalog.lookup(PDFName.of('PageLabels'), PDFDict);
  return kept.lookup(PDFName.of('Nums'))?.toString() ?? '';
}

test('a page put in carries the label before it and a letter', async () => {
  const kept = await keptWith(3, 'r');
  expect(kept).toContain(PDFHexString.fromText('iii').toString());
  expect(kept).toMatch(/\/St 4/);
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

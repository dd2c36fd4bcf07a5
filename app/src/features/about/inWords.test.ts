import { kindInWords, locksInWords, pagesInWords } from './inWords';

test('the kind of a document is said with what it means', () => {
  expect(kindInWords({ worded: 3, pictured: 0, bare: 1 })).toMatch(/^Text:/);
  expect(kindInWords({ worded: 0, pictured: 3, bare: 0 })).toMatch(/^Scanned:/);
  expect(kindInWords({ worded: 1, pictured: 12, bare: 0 })).toBe(
    'Mixed: 12 pages scanned, 1 page with words that can be read.',
  );
  expect(kindInWords({ worded: 0, pictured: 0, bare: 2 })).toMatch(/^Without words/);
});

test('pages are said with their sizes, the rarest only counted', () => {
  const size = (name: string | null, width: number, height: number, count: number) => ({
    name,
    width,
    height,
    count,
  });
  expect(pagesInWords([size('A4', 210, 297, 6)])).toBe('6, A4, 210 × 297 mm');
  expect(pagesInWords([size('A4', 210, 297, 5), size('A4', 297, 210, 1)])).toBe(
    '6: 5 of A4, 210 × 297 mm; 1 of A4 landscape, 297 × 210 mm',
  );
  const many = [5, 4, 3, 2, 1].map((n) => size(null, 100 * n, 50, n));
  expect(pagesInWords(many)).toMatch(/^15: .*; 2 other sizes$/);
});

test('locks are said, each by itself', () => {
  expect(locksInWords({ locked: false, copyLocked: false, signed: false })).toEqual([]);
  expect(locksInWords({ locked: true, copyLocked: true, signed: true })).toHaveLength(3);
});

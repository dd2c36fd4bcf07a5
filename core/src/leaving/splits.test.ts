import { emptyDocument, pagesOfSource } from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import type { OutlineEntry } from '../guide/index.ts';
import { splitByOutline, splitByRanges, splitEvery } from './splits.ts';

const SHA = 'a'.repeat(64);

test('so many pages each, and the last part what is left', () => {
  expect(splitEvery(7, 3).map(({ pages }) => pages)).toEqual([[0, 1, 2], [3, 4, 5], [6]]);
  expect(splitEvery(2, 9).map(({ pages }) => pages)).toEqual([[0, 1]]);
});

const entry = (title: string, page: number | null): OutlineEntry => ({
  ...{ title, address: null, open: false, under: [] },
  place: page === null ? null : { page, left: null, top: null },
});

test('from entry to entry, wherever its page stands by now; what is before the first too', () => {
  const came = pagesOfSource(
    SHA,
    Array.from({ length: 6 }, () => plainPage(400, 600)),
    (k) => `p${k}`,
  );
  // The last page first, and the second gone.
  const document = emptyDocument([came[5], came[0], came[2], came[3], came[4]]);
  const outline = [
    entry('Shore', 2),
    entry('Gone', 1),
    entry('Tides', 3),
    entry('Web', null),
    entry('Also tides', 3),
  ];
  expect(splitByOutline(document, [{ source: SHA, entries: outline }])).toEqual([
    { title: '', pages: [0, 1] },
    { title: 'Shore', pages: [2] },
    { title: 'Tides', pages: [3, 4] },
  ]);
  expect(splitByOutline(document, [{ source: SHA, entries: [] }])).toEqual([
    { title: '', pages: [0, 1, 2, 3, 4] },
  ]);
});

test('ranges that are named are a part each, in the words of the document', () => {
  const names = ['i', 'ii', '1', '2', '3'];
  const asked = splitByRanges('i-ii; 1, 3;', names);
  expect(asked.ok && asked.splits.map(({ pages }) => pages)).toEqual([
    [0, 1],
    [2, 4],
  ]);
  expect(splitByRanges('1; 9', names)).toEqual({ ok: false, reason: 'There is no page “9”.' });
  expect(splitByRanges(' ; ', names).ok).toBe(false);
});

import fc from 'fast-check';
import { pageRanges } from './pageRanges.ts';

const NAMES = ['i', 'ii', 'iii', '1', '2', '3', '4', 'A-1', 'A-2'];
const pages = (text: string, names: readonly string[] = NAMES): readonly number[] | string => {
  const named = pageRanges(text, names);
  return named.ok ? named.pages : named.reason;
};

test.each([
  ['2', [4]],
  ['ii–2, 4', [1, 2, 3, 4, 6]],
  ['4, II, 4', [1, 6]],
  ['A-1', [7]],
  ['A-2;i', [0, 8]],
  ['3-', [5, 6, 7, 8]],
  ['-ii', [0, 1]],
  // A number that is no name is that of the sheet.
  ['9', [8]],
  ['', 'Say which pages: 2-5, 9.'],
  [' , ', 'Say which pages: 2-5, 9.'],
  ['-', 'There is no page “-”.'],
  ['12', 'There is no page “12”.'],
  ['1-2-3', 'There is no page “1-2-3”.'],
  ['4-ii', '“4-ii” ends before it begins.'],
])('%s', (text, wanted) => {
  expect(pages(text)).toEqual(wanted);
});

test('pages that are named as ranges are those, in order and each once', () => {
  const ranges = fc.array(fc.tuple(fc.nat(29), fc.nat(5)), { minLength: 1, maxLength: 6 });
  const names = Array.from({ length: 40 }, (_, k) => String(k + 1));
  fc.assert(
    fc.property(ranges, (all) => {
      const text = all.map(([from, more]) => `${from + 1}-${from + 1 + more}`).join(', ');
      const wanted = new Set(
        all.flatMap(([from, more]) => Array.from({ length: more + 1 }, (_, k) => from + k)),
      );
      expect(pages(text, names)).toEqual([...wanted].sort((a, b) => a - b));
    }),
  );
});

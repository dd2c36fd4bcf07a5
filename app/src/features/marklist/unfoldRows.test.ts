import type { ListedMark, ListRow } from '@marginalis/core/derived';
import { unfoldRows } from './unfoldRows';

const listed = (id: string): ListedMark => ({ mark: { id }, page: 0 }) as unknown as ListedMark;
const [a, b, c, d, e] = ['a', 'b', 'c', 'd', 'e'].map(listed);
const rows: readonly ListRow[] = [
  { mark: a },
  {
    line: {
      id: 'b',
      page: 0,
      box: { minX: 0, minY: 0, maxX: 1, maxY: 1 },
      marks: [b, c, d],
      words: [[b, c], [d]],
    },
  },
  { mark: e },
];
const keys = (...open: string[]): string[] =>
  unfoldRows(rows, new Set(open)).map(({ key, depth }) => `${'-'.repeat(depth)}${key}`);

test('a line is one row, opens to its words, and a word to its strokes', () => {
  expect(keys()).toEqual(['a', 'line b', 'e']);
  expect(keys('line b')).toEqual(['a', 'line b', '-word b', '-d', 'e']);
  expect(keys('line b', 'word b')).toEqual(['a', 'line b', '-word b', '--b', '--c', '-d', 'e']);
  expect(keys('word b')).toEqual(['a', 'line b', 'e']);
});

test('what a row holds is said as people count', () => {
  const said = unfoldRows(rows, new Set(['line b'])).flatMap((row) =>
    row.marks ? [`${row.name}: ${row.holds}`] : [],
  );
  expect(said).toEqual(['Writing: 2 words', 'Word: 2 strokes']);
});

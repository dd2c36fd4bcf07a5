import { HIGHLIGHTER, pageRefsFor, written, type Drawn } from '../../testing/marks.ts';
import { plainPage, type Vec } from '../geometry/index.ts';
import { listMarks } from './markList.ts';
import { listRows, type ListRow } from './writtenLines.ts';

const pages = pageRefsFor([plainPage(595, 842), { ...plainPage(595, 842), rotate: 90 }]);
const HEIGHT = 9;

/** A letter that stands on the base line at (x, y), y up. */
const letter = (x: number, y: number, height = HEIGHT): Vec[] => [
  { x, y: y + height },
  { x: x + 1, y: y + 1 },
  { x: x + 4, y },
  { x: x + 5, y: y + height },
];
const word = (x: number, y: number, letters: number): Drawn[] =>
  Array.from({ length: letters }, (_, i) => ({ page: 0, path: letter(x + 7 * i, y) }));
const rowsOf = (drawn: readonly Drawn[]): readonly ListRow[] =>
  listRows(listMarks(written(pages, drawn)));
const dot = (x: number, y: number): Drawn => ({
  page: 0,
  path: [
    { x, y },
    { x: x + 0.6, y: y + 0.4 },
  ],
});

/** Of each row the letters of its words, or what the mark is. */
const told = (rows: readonly ListRow[]): string[] =>
  rows.map((row) =>
    'line' in row ? row.line.words.map((letters) => letters.length).join(' ') : row.mark.words.sort,
  );

test('what is written stands together by its lines, and in them by its words', () => {
  const rows = rowsOf([
    ...word(80, 700, 5),
    ...word(130, 700, 3),
    ...word(80, 676, 4),
    ...word(120, 676, 2),
  ]);
  expect(told(rows)).toEqual(['5 3', '4 2']);
});

test('one goes back to dot an i, and on in the line before', () => {
  const rows = rowsOf([
    ...word(80, 700, 3),
    ...word(80, 676, 3),
    dot(84, 713),
    ...word(110, 700, 2),
  ]);
  expect(told(rows)).toEqual(['4 2', '3']);
});

test('dots high above low letters belong to them, not to the line above', () => {
  const low = (x: number, y: number): Drawn => ({ page: 0, path: letter(x, y, 5) });
  const line = (y: number): Drawn[] => [low(80, y), low(87, y), low(94, y), dot(90, y + 10)];
  expect(told(rowsOf([...line(700), ...line(676)]))).toEqual(['4', '4']);
});

test('a word may begin with the dot of its first letter', () => {
  const rows = rowsOf([...word(80, 700, 3), dot(110, 713), ...word(110, 700, 2)]);
  expect(told(rows)).toEqual(['3 3']);
});

test('an underline, a highlight, a lone stroke and a drawing are no writing', () => {
  const rows = rowsOf([
    ...word(80, 700, 4),
    {
      page: 0,
      path: [
        { x: 78, y: 696 },
        { x: 180, y: 696.5 },
      ],
    },
    {
      page: 0,
      instrument: HIGHLIGHTER,
      path: [
        { x: 80, y: 640 },
        { x: 180, y: 640 },
      ],
    },
    { page: 0, path: letter(80, 560) },
    { page: 0, path: letter(300, 100, 400) },
  ]);
  expect(told(rows)).toEqual(['4', 'ink', 'highlight', 'ink', 'ink']);
});

test('two columns are two lines at one height', () => {
  expect(told(rowsOf([...word(80, 700, 3), ...word(320, 700, 3)]))).toEqual(['3', '3']);
});

test('on a page that is turned, lines are those one sees', () => {
  // Written upwards in user space: to the right as the page is seen.
  const turned = word(0, 0, 4).map(({ path }) => ({
    page: 1,
    path: path.map(({ x, y }) => ({ x: 300 - y, y: 200 + x })),
  }));
  expect(told(rowsOf(turned))).toEqual(['4']);
});

test('every mark stands in one row', () => {
  const drawn = [...word(80, 700, 5), ...word(90, 680, 5), ...word(80, 500, 1)];
  const list = listMarks(written(pages, drawn));
  const all = listRows(list).flatMap((row) => ('line' in row ? row.line.words.flat() : [row.mark]));
  expect(new Set(all)).toEqual(new Set(list));
  expect(all).toHaveLength(list.length);
});

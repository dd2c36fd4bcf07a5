import { alongCorners } from '../../testing/hand.ts';
import { smallPicture } from '../../testing/attachment.ts';
import { done, HIGHLIGHTER, pageRefsFor, PEN, written } from '../../testing/marks.ts';
import { rawPrint, type SetLine } from '../../testing/print.ts';
import { putPicture } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { readPrint } from '../print/index.ts';
import { filterMarks, listMarks, wordsBeneath } from './markList.ts';

const at = (x: number, y: number) =>
  alongCorners([
    { x, y },
    { x: x + 30, y: y + 2 },
  ]);
const pages = pageRefsFor([plainPage(400, 600), { ...plainPage(400, 600), rotate: 90 }]);
const state = written(pages, [
  { page: 1, path: at(200, 300) },
  { page: 0, path: at(300, 500) },
  { page: 0, path: at(40, 504) },
  { page: 0, instrument: HIGHLIGHTER, path: at(40, 580) },
  { page: 1, path: at(20, 300) },
]);
const list = listMarks(state);
const names = (rows = list): string[] =>
  rows.map(({ page, words, at: p }) => `${page} ${words.sort} ${Math.round(p.x / 50)}`);

test('marks stand in reading order, as the pages are seen', () => {
  expect(names()).toEqual(['0 highlight 1', '0 ink 1', '0 ink 6', '1 ink 6', '1 ink 6']);
  // On the page that is turned, what lies to the left in user space is seen above.
  expect(list[3].at.y).toBeLessThan(list[4].at.y);
  expect(listMarks(state)).toBe(list);
});

test('the list is narrowed by kind, ink, author, pages and words', () => {
  const words = (): string => 'barnacle bands';
  expect(filterMarks(list, { sort: 'highlight' }, words)).toHaveLength(1);
  expect(filterMarks(list, { colour: PEN.colour, from: 1 }, words)).toHaveLength(2);
  expect(filterMarks(list, { to: 0 }, words)).toHaveLength(3);
  expect(filterMarks(list, { author: 'Rosa' }, words)).toHaveLength(0);
  expect(filterMarks(list, { author: '' }, words)).toHaveLength(5);
  expect(filterMarks(list, { text: ' BANDS ' }, words)).toHaveLength(5);
  expect(filterMarks(list, { text: 'kelp' }, words)).toHaveLength(0);
});

test('the words beneath a mark are those whose middles it covers', () => {
  const at = (text: string, x: number, y = 577): SetLine => ({ text, x, y, advance: 0.25 });
  const lines = [
    at('before', 20),
    at('the', 42),
    at('shore', 55),
    at('after', 90),
    at('below', 45, 540),
  ];
  expect(wordsBeneath(list[0].mark, readPrint(rawPrint(lines)))).toBe('the shore');
});

test('a picture has no ink, and is about nothing that it hides', () => {
  const put = putPicture(state, {
    ...{ id: 'picture', page: 'p0', place: [200, 0, 0, 100, 10, 520], says: '', madeAt: 1 },
    picture: smallPicture('shore'),
  });
  const print = readPrint(rawPrint([{ text: 'shore', x: 55, y: 577, advance: 0.25 }]));
  const rows = listMarks(done(state, put));
  const row = rows.find(({ mark }) => mark.id === 'picture');
  expect(row && wordsBeneath(row.mark, print)).toBe('');
  const colour = row?.mark.style.colour;
  expect(filterMarks(rows, { colour }, () => '')).not.toContain(row);
  expect(filterMarks(rows, { sort: 'picture' }, () => '')).toEqual([row]);
});

import { changeOf, emptyDocument, markChange } from '../document/index.ts';
import { addPaper } from '../editing/index.ts';
import { box, boxesMeet, plainPage } from '../geometry/index.ts';
import { usualRuling } from '../paper/index.ts';
import { alongCorners } from '../../testing/hand.ts';
import { markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { changedPlaces } from './changedPlaces.ts';

const pages = pageRefsFor([plainPage(600, 800), plainPage(600, 800)]);
const bar = (y: number) =>
  alongCorners([
    { x: 100, y },
    { x: 180, y },
  ]);
const marked = written(pages, [
  { page: 0, path: bar(700), id: 'upper' },
  { page: 0, path: bar(100), id: 'lower' },
]);
const upper = markOf(marked, 'upper');
const lower = markOf(marked, 'lower');

test('marks lie where they come, or where they went from', () => {
  const places = changedPlaces({
    label: 'Both',
    changes: [markChange(null, upper), markChange(lower, null)],
  });
  expect([...places.keys()]).toEqual(['p0']);
  const area = places.get('p0');
  expect(area && boxesMeet(area, box(100, 99, 180, 101))).toBe(true);
  expect(area && boxesMeet(area, box(100, 699, 180, 701))).toBe(true);
});

test('a mark that goes to another page is seen there', () => {
  const moved = markChange(upper, { ...upper, page: 'p1' });
  expect([...changedPlaces({ label: 'Move', changes: [moved] }).keys()]).toEqual(['p1']);
});

test('a page is changed as a whole, whatever else is on it', () => {
  const { changes: added } = addPaper(emptyDocument(pages), 'p0', usualRuling('ruled'), 'new');
  const mark = markChange(null, { ...upper, page: 'new' });
  for (const changes of [
    [...added, mark],
    [mark, ...added],
  ])
    expect(changedPlaces({ label: 'Both', changes })).toEqual(new Map([['new', null]]));
});

test('a tag is of no place', () => {
  const tag = changeOf('tag', null, { id: 't', name: 'Ask', colour: '#1f7a5c', order: 1 });
  expect(changedPlaces({ label: 'Tag', changes: [tag] }).size).toBe(0);
});

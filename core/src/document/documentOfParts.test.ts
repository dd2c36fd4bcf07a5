import { plainPage } from '../geometry/index.ts';
import { wavePath } from '../../testing/hand.ts';
import { pageRefsFor, written } from '../../testing/marks.ts';
import { documentOfParts, partsOfDocument } from './documentOfParts.ts';
import type { Bookmark, OwnLink } from './parts/index.ts';
import { pagesOfSource } from './parts/index.ts';
import { type DocState, marksOn } from './state.ts';

const boxes = [plainPage(300, 400), plainPage(300, 400)];
const link = (id: string, to: OwnLink['to']): OwnLink => ({
  ...{ id, page: 'p0', area: { minX: 0, minY: 0, maxX: 9, maxY: 9 }, to, framed: false },
});
const bookmark = {
  ...{ id: 'b', page: 'p1', title: 'Low tide', at: null, parent: null, order: 1 },
} as unknown as Bookmark;

test('parts go to the pages that lie where theirs did; what belongs to pages that are not there goes', () => {
  const state: DocState = {
    ...written(pageRefsFor(boxes), [
      { page: 0, id: 'a', path: wavePath({ x: 40, y: 100 }, 80, 6, 2) },
      { page: 1, id: 'b', path: wavePath({ x: 40, y: 100 }, 80, 6, 2) },
    ]),
    bookmarks: new Map([['b', bookmark]]),
    links: new Map(
      [
        link('inside', { page: 'p1', at: null }),
        link('outside', { address: 'https://example.org/' }),
      ].map((one) => [one.id, one]),
    ),
  };
  const other = (count: number) =>
    pagesOfSource('b'.repeat(64), boxes.slice(0, count), (k) => `other ${k}`);
  const whole = documentOfParts(other(2), partsOfDocument(state));
  expect([...marksOn(whole, 'other 1').values()]).toMatchObject([{ id: 'b', page: 'other 1' }]);
  expect(whole.bookmarks.get('b')?.page).toBe('other 1');
  expect(whole.links.get('inside')).toMatchObject({ page: 'other 0', to: { page: 'other 1' } });

  const cut = documentOfParts(other(1), partsOfDocument(state));
  expect([...cut.marks.keys()]).toEqual(['other 0']);
  expect(cut.bookmarks.size).toBe(0);
  expect([...cut.links.keys()]).toEqual(['outside']);
});

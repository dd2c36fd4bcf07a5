import {
  type Attachment,
  changeOf,
  type DocState,
  emptyDocument,
  marksOn,
  pagesOfSource,
} from '../../document/index.ts';
import { plainPage } from '../../geometry/index.ts';
import { done, lineOn, written } from '../../../testing/marks.ts';
import { putPicture } from '../pictures.ts';
import { bringPages, replacePage } from './index.ts';

const pagesOf = (source: string, count: number) =>
  pagesOfSource(
    source.repeat(64),
    Array.from({ length: count }, () => plainPage(400, 600)),
    (k) => `${source}${k}`,
  );
const here = emptyDocument(pagesOf('a', 3));
let count = 0;
const newId = (): string => `new ${count++}`;

const picture: Attachment = {
  ...{ id: 'sha', name: 'Shore.png', type: 'image/png', width: 4, height: 4 },
  data: 'AAAA',
};

/** Two pages with ink on the second, a picture, a labelled note and bookmarks. */
function other(): DocState {
  const inked = written(pagesOf('b', 2), [lineOn(1, 'ink')]);
  const placed = done(
    inked,
    putPicture(inked, {
      ...{ id: 'photo', page: 'b0', picture, place: [9, 0, 0, 9, 0, 0], says: '', madeAt: 0 },
    }),
  );
  const bookmark = (id: string, page: string, parent: string | null) =>
    changeOf('bookmark', null, {
      ...{ id, title: id, page, at: null, parent, order: 0, madeAt: 0 },
    });
  return done(placed, {
    label: 'Note',
    changes: [
      changeOf('tag', null, { id: 'tag', name: 'Check', colour: '#aa3311', order: 0 } as never),
      changeOf('thread', null, {
        ...{ id: 't', mark: 'ink', settled: null, tags: ['tag'] },
        remarks: [{ id: 'r', author: '', text: 'Why?', madeAt: 1, editedAt: null }],
      }),
      bookmark('first', 'b0', null),
      bookmark('second', 'b1', 'first'),
    ],
  });
}

test('pages come with their marks, notes, labels, pictures and bookmarks, as their own', () => {
  const from = other();
  const state = done(here, bringPages(here, 'a0', from, [0, 1], newId));
  expect(state.pages.map(({ shows }) => 'source' in shows && shows.source[0]).join('')).toBe(
    'abbaa',
  );
  const [, photo, inked] = state.pages;
  expect(marksOn(state, photo.id).size).toBe(1);
  const [mark] = marksOn(state, inked.id).values();
  expect(mark.id).not.toBe('ink');
  expect([...state.attachments.keys()]).toEqual(['sha']);
  const [thread] = state.threads.values();
  expect(thread).toMatchObject({ mark: mark.id, tags: ['tag'] });
  expect(state.tags.has('tag')).toBe(true);
  const [first, second] = state.bookmarks.values();
  expect([first.page, first.parent]).toEqual([photo.id, null]);
  expect([second.page, second.parent]).toEqual([inked.id, first.id]);
  // Once more: the picture is kept once.
  const twice = done(state, bringPages(state, null, from, [0], newId));
  expect(twice.attachments.size).toBe(1);
  expect(twice.pages[0].shows).toMatchObject({ index: 0 });
});

test('of pages that do not come nothing comes, and a range beyond the end brings what there is', () => {
  const from = other();
  const state = done(here, bringPages(here, null, from, [1, 7], newId));
  expect(state.pages).toHaveLength(4);
  expect([state.attachments.size, state.bookmarks.size]).toEqual([0, 1]);
  expect([...state.bookmarks.values()][0].parent).toBeNull();
  expect(bringPages(here, null, from, [9], newId)).toBeNull();
});

test('a page that is replaced keeps its place and, as is wished, its marks', () => {
  const from = other();
  const mine = written(pagesOf('a', 3), [lineOn(1, 'mine')]);
  const stay = done(mine, replacePage(mine, 'a1', from, 1, 'stay', newId));
  expect(stay.pages[1]).toMatchObject({ id: 'a1', shows: { source: 'b'.repeat(64), index: 1 } });
  expect([...marksOn(stay, 'a1').keys()]).toEqual(['mine']);
  const go = done(mine, replacePage(mine, 'a1', from, 1, 'go', newId));
  const [mark] = marksOn(go, 'a1').values();
  expect(marksOn(go, 'a1').size).toBe(1);
  expect(mark.id).not.toBe('mine');
  expect(replacePage(mine, 'gone', from, 1, 'stay', newId)).toBeNull();
  expect(replacePage(mine, 'a1', from, 5, 'stay', newId)).toBeNull();
});

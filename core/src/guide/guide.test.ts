import fc from 'fast-check';
import { pageRefsFor } from '../../testing/marks.ts';
import {
  applyTransaction,
  type DocState,
  emptyDocument,
  type Page,
  pagesOfSource,
  type Transaction,
} from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import { addBookmark, moveBookmark, removeBookmark, renameBookmark } from '../editing/index.ts';
import { bookmarkRows, contentsOf, farOf, ownBookmarks, rowAt, unfolded } from './contents.ts';
import { leadsGone } from './leadsGone.ts';
import { cornerOf, type OutlineEntry, pointOf } from './outline.ts';
import { outlinesOf } from './outlinesOf.ts';
import { pageNamed, pageNames } from './pageNames.ts';
import { proposeOutline } from './proposeOutline.ts';

const pages = pageRefsFor(Array.from({ length: 6 }, () => plainPage(100, 200)));
const [first] = pages;
const source = 'source' in first.shows ? first.shows.source : '';

const entry = (title: string, page: number | null, under: OutlineEntry[] = []): OutlineEntry => ({
  title,
  place: page === null ? null : { page: Math.floor(page), left: null, top: 200 * (1 - (page % 1)) },
  address: null,
  open: true,
  under,
});
const OUTLINE = [
  entry('Shore', 1, [entry('Rocks', 1.5), entry('Mud', 2)]),
  entry('Nowhere', null),
  entry('Sea', 4),
];

const make = (state: DocState, transaction: Transaction | null): DocState => {
  if (!transaction) throw new Error('There is nothing to do.');
  const applied = applyTransaction(state, transaction);
  if (!applied.ok) throw new Error(applied.reason);
  return applied.state;
};
/** A bookmark so far into the document. */
const bookmarked = (state: DocState, title: string, far: number): DocState => {
  const at = { x: 0, y: 200 * (1 - (far % 1)) };
  const page = pages[Math.floor(far)].id;
  return make(state, addBookmark(state, { id: title, title, page, at, madeAt: 0 }));
};
const told = (rows: readonly { title: string; depth: number }[]): string[] =>
  rows.map(({ title, depth }) => '-'.repeat(depth) + title);

test('the outline and one’s own bookmarks are read as one, each under what it lies in', () => {
  let state = emptyDocument(pages);
  for (const [title, far] of [
    ['after the mud', 2.25],
    ['on the rocks', 1.75],
    ['at the front', 0.5],
  ] as const)
    state = bookmarked(state, title, far);
  const rows = contentsOf(state, [{ source, entries: OUTLINE }]);
  expect(told(rows)).toEqual([
    'at the front',
    'Shore',
    '-Rocks',
    '--on the rocks',
    '-Mud',
    '--after the mud',
    'Nowhere',
    'Sea',
  ]);
  expect(told(unfolded(rows, (row) => row.title === 'Shore'))).toEqual([
    'at the front',
    'Shore',
    'Nowhere',
    'Sea',
  ]);
  expect(told(bookmarkRows(state))).toEqual(['after the mud', 'on the rocks', 'at the front']);
  expect(rows.find(({ title }) => title === 'Nowhere')?.far).toBeNull();
  expect(rowAt(rows, 3.9)?.title).toBe('after the mud');
  expect(rowAt(rows, 0.1)).toBeNull();
});

test('contents keep to the pages that are there', () => {
  const left = pages.filter((_, k) => k !== 4);
  const state = bookmarked(emptyDocument(pages), 'gone with its page', 4);
  const rows = contentsOf({ ...state, pages: left }, [{ source, entries: OUTLINE }]);
  expect(rows.find(({ title }) => title === 'Sea')?.place).toBeNull();
  expect(ownBookmarks({ ...state, pages: left })).toEqual([]);
  expect(
    contentsOf(state, [{ source: 'another', entries: OUTLINE }]).every(
      ({ far, bookmark }) => far === null || bookmark,
    ),
  ).toBe(true);
});

test('outlines of files stand in the order of their pages; of those that were added only what leads to pages that came', () => {
  const [SECOND, THIRD] = ['c'.repeat(64), 'd'.repeat(64)];
  const of = (sha: string, indices: readonly number[]) =>
    pagesOfSource(sha, pages, (index) => `${sha[0]}${index}`).filter((_, k) => indices.includes(k));
  const document = emptyDocument([...of(SECOND, [2, 4]), ...pages, ...of(THIRD, [3])]);
  const known = new Map([SECOND, source, THIRD].map((sha) => [sha, OUTLINE] as const));
  const outlines = outlinesOf(document, source, known);
  expect(outlines.map((one) => one.source)).toEqual([SECOND, source]);
  const rows = contentsOf(document, outlines);
  expect(told(rows)).toEqual([
    ...['Shore', '-Mud', 'Sea'],
    ...['Shore', '-Rocks', '-Mud', 'Nowhere', 'Sea'],
  ]);
  expect(new Set(rows.map(({ key }) => key)).size).toBe(rows.length);
  expect(rows.slice(0, 3).map(({ place }) => place?.page ?? null)).toEqual([null, 'c2', 'c4']);
  // The file that the document is of is told of though none of its pages is left.
  const without = emptyDocument(of(SECOND, [4]));
  expect(outlinesOf(without, source, known).map((one) => one.source)).toEqual([SECOND, source]);
});

test('every bookmark stands after what comes before it, wherever it is', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 5.9, noNaN: true }), { maxLength: 8 }),
      (fars) => {
        const state = fars.reduce((s, far, k) => bookmarked(s, `b${k}`, far), emptyDocument(pages));
        const rows = contentsOf(state, [{ source, entries: OUTLINE }]);
        expect(rows.filter(({ bookmark }) => bookmark)).toHaveLength(fars.length);
        const placed = rows.filter(({ far }) => far !== null);
        expect(placed.map(({ far }) => far)).toEqual(
          placed.map(({ far }) => far).sort((a, b) => Number(a) - Number(b)),
        );
      },
    ),
  );
});

test('bookmarks are named, renamed, moved and removed', () => {
  let state = ['a', 'b', 'c'].reduce((s, t, k) => bookmarked(s, t, k), emptyDocument(pages));
  const own = (): string[] => ownBookmarks(state).map(({ title }) => title);
  const [a, b, c] = ownBookmarks(state);
  expect(moveBookmark([a, b, c], a, -1)).toBeNull();
  expect(renameBookmark(a, '  ')).toBeNull();
  expect(renameBookmark(a, ' a ')).toBeNull();
  state = make(state, moveBookmark([a, b, c], c, -1));
  expect(own()).toEqual(['a', 'c', 'b']);
  state = make(state, renameBookmark(ownBookmarks(state)[1], ' Creek '));
  state = make(state, removeBookmark(ownBookmarks(state)[0]));
  expect(own()).toEqual(['Creek', 'b']);
});

test('how far a place lies is seen, whichever way the page is turned', () => {
  const turned: Page[] = pages.map((page) => ({ ...page, rotate: 90 }));
  // Turned clockwise by a quarter, the left edge is at the top.
  expect(farOf(turned, { page: pages[2].id, at: { x: 25, y: 0 } })).toBeCloseTo(2.25);
  expect(farOf(pages, { page: pages[2].id, at: { x: 25, y: 50 } })).toBeCloseTo(2.75);
  expect(farOf(pages, { page: 'gone', at: null })).toBeNull();
});

test.each([
  ['XYZ', [10, 20, 1], { left: 10, top: 20 }],
  ['XYZ', [null, 20, null], { left: null, top: 20 }],
  ['FitH', [30], { left: null, top: 30 }],
  ['FitV', [30], { left: 30, top: null }],
  ['FitR', [1, 2, 3, 4], { left: 1, top: 4 }],
  ['Fit', [], { left: null, top: null }],
  ['XYZ', ['x', NaN], { left: null, top: null }],
  ['', [5], { left: null, top: null }],
] as const)('a destination %s %j', (fit, numbers, place) => {
  expect(cornerOf(fit, numbers)).toEqual(place);
});

test('a destination means a point where it says one of its numbers', () => {
  expect(pointOf({ page: 0, left: null, top: null }, first)).toBeNull();
  expect(pointOf({ page: 0, left: null, top: 40 }, first)).toEqual({ x: 0, y: 40 });
  expect(pointOf({ page: 0, left: 30, top: null }, first)).toEqual({ x: 30, y: 200 });
  const upsideDown = { ...first, rotate: 180 as const };
  expect(pointOf({ page: 0, left: null, top: 40 }, upsideDown)).toEqual({ x: 100, y: 40 });
});

test('pages are called what the file calls them; paper between them after the page before', () => {
  const paper = { paper: { pattern: 'blank' } as never };
  const mixed: Page[] = [
    pages[0],
    pages[1],
    { ...pages[2], shows: paper },
    { ...pages[3], shows: paper },
    pages[4],
  ];
  const labels = ['i', 'ii', '', '', '1'];
  const names = pageNames(mixed, () => labels);
  expect(names).toEqual(['i', 'ii', 'ii+', 'ii++', '1']);
  expect(pageNames(mixed, () => null)).toEqual(['1', '2', '3', '4', '5']);
  expect(pageNamed(names, ' II ')).toBe(1);
  // A name first, then a number.
  expect(pageNamed(names, '1')).toBe(4);
  expect(pageNamed(names, '3')).toBe(2);
  expect(pageNamed(names, '6')).toBeNull();
  expect(pageNamed(names, '')).toBeNull();
});

test('headings make an outline, each under the one before it of a higher level', () => {
  const at = { x: 10, y: 180 };
  const headings = [
    ['Preface', 1],
    ['1 Shore', 0],
    ['1.1 Rocks', 1],
    ['1.1.1 Cracks', 3],
    ['1.2 Mud', 1],
    ['2 Sea', 0],
  ] as const;
  const outline = proposeOutline(
    headings.map(([text, level], page) => ({
      text,
      level,
      page,
      at,
      from: 0,
      size: 12,
      byFace: false,
    })),
  );
  const rows = contentsOf(emptyDocument(pages), [{ source, entries: outline }]);
  expect(told(rows)).toEqual([
    'Preface',
    '1 Shore',
    '-1.1 Rocks',
    '--1.1.1 Cracks',
    '-1.2 Mud',
    '2 Sea',
  ]);
  expect(rows[2].place).toEqual({ page: pages[2].id, at });
});

test('what leads to pages that were taken out is counted, also beneath what leads somewhere', () => {
  const all = bookmarked(bookmarked(emptyDocument(pages), 'Here', 0.2), 'Gone', 2.5);
  const without = { ...all, pages: pages.filter((_, k) => k !== 2 && k !== 4) };
  expect(leadsGone(all, source, OUTLINE)).toEqual({ entries: 0, bookmarks: 0 });
  expect(leadsGone(without, source, OUTLINE)).toEqual({ entries: 2, bookmarks: 1 });
  expect(leadsGone(without, 'another', OUTLINE).entries).toBe(4);
});

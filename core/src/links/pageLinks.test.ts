import { pageRefsFor, PEN, written } from '../../testing/marks.ts';
import { rawPrint } from '../../testing/print.ts';
import { type DocState, emptyDocument, type OwnLink, type Thread } from '../document/index.ts';
import { box, plainPage } from '../geometry/index.ts';
import { readPrint } from '../print/index.ts';
import { leadOf } from './leads.ts';
import { type FileLink, linkAt, linksOnPage } from './pageLinks.ts';
import { wordsUnder } from './wordsUnder.ts';

const PAGES = pageRefsFor([plainPage(300, 400), plainPage(300, 400), plainPage(300, 400)]);
const own = (id: string, more: Partial<OwnLink>): OwnLink => ({
  ...{ id, page: 'p0', area: box(10, 10, 60, 30), to: { page: 'p2', at: null }, framed: false },
  ...more,
});
const withLinks = (...links: OwnLink[]): DocState => ({
  ...emptyDocument(PAGES),
  links: new Map(links.map((one) => [one.id, one])),
});
const FILE: readonly FileLink[] = [
  { area: box(10, 100, 60, 120), place: { page: 1, left: null, top: 300 }, address: null },
  { area: box(10, 200, 60, 220), place: null, address: 'https://tides.example/' },
];

test('a page has the links of its file and one’s own; what one changed stands for what was there', () => {
  const came = linksOnPage(withLinks(own('a', {})), PAGES[0], FILE);
  expect(came.map(({ leads }) => leads)).toEqual([
    { index: 1, at: { x: 0, y: 300 }, thread: null },
    { address: 'https://tides.example/' },
    { index: 2, at: null, thread: null },
  ]);
  const changed = withLinks(
    own('b', {
      area: FILE[0].area,
      instead: box(10.02, 100, 60, 119.99),
      to: { page: 'p2', at: null },
    }),
    own('c', { area: FILE[1].area, instead: FILE[1].area, to: null }),
  );
  const now = linksOnPage(changed, PAGES[0], FILE);
  expect(now.map(({ own: mine, leads }) => [mine?.id, leads])).toEqual([
    ['b', { index: 2, at: null, thread: null }],
  ]);
  // On another page nothing has changed.
  expect(linksOnPage(changed, PAGES[1], FILE)).toHaveLength(2);
});

test('links follow their pages, and are dead where these are gone', () => {
  const state = withLinks(own('a', {}));
  const without = { ...state, pages: [PAGES[0]] };
  expect(linksOnPage(without, PAGES[0], FILE).map(({ leads }) => leads)).toEqual([
    null,
    { address: 'https://tides.example/' },
    null,
  ]);
  const turned = { ...state, pages: [PAGES[2], PAGES[0]] };
  expect(linksOnPage(turned, PAGES[0], []).map(({ leads }) => leads)).toEqual([
    { index: 0, at: null, thread: null },
  ]);
});

test('a link leads to a bookmark and to a note, as long as they are there', () => {
  const path = [
    { x: 10, y: 10 },
    { x: 90, y: 10 },
  ];
  const state = written(PAGES, [{ page: 1, path, id: 'line', instrument: PEN }]);
  const thread = { id: 't', mark: 'line', remarks: [], tags: [] } as unknown as Thread;
  const at = { x: 5, y: 350 };
  const bookmark = {
    id: 'm',
    title: 'Low water',
    page: 'p2',
    at,
    parent: null,
    order: 1,
    madeAt: 1,
  };
  const held: DocState = {
    ...state,
    threads: new Map([['t', thread]]),
    bookmarks: new Map([['m', bookmark]]),
  };
  expect(leadOf(held, { bookmark: 'm' })).toEqual({ index: 2, at, thread: null });
  expect(leadOf(held, { thread: 't' })).toEqual({ index: 1, at: null, thread: 't' });
  expect(leadOf(state, { bookmark: 'm' })).toBeNull();
  expect(leadOf(state, { thread: 't' })).toBeNull();
});

test('of links that overlap the upper one is pressed, and only where it has an area', () => {
  const parts = [box(0, 0, 40, 10), box(0, 20, 40, 30)];
  const state = withLinks(
    own('a', { area: box(0, 0, 40, 30) }),
    own('b', { area: box(0, 0, 40, 30), parts }),
  );
  const links = linksOnPage(state, PAGES[0], []);
  expect(linkAt(links, { x: 20, y: 5 })?.key).toBe('b');
  expect(linkAt(links, { x: 20, y: 15 })?.key).toBe('a');
  expect(linkAt(links, { x: 20, y: 40 })).toBeNull();
  expect(linkAt(links, { x: 20, y: 34 }, 6)?.key).toBe('b');
});

test('what is printed beneath a link is said in the order it is read in', () => {
  const print = readPrint(
    rawPrint([
      { text: 'The limpets stay', x: 20, y: 300 },
      { text: 'where they are.', x: 20, y: 286 },
    ]),
  );
  const { words } = print;
  const first = words[1].box;
  expect(wordsUnder(print, [first])).toBe('limpets');
  expect(wordsUnder(print, [words[2].box, words[3].box])).toBe('stay where');
  expect(wordsUnder(print, [box(200, 10, 260, 30)])).toBe('');
  expect(wordsUnder(print, [box(0, 0, 300, 400)])).toBe('The limpets stay where they are.');
});

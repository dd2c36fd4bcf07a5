import type { Page } from '@marginalis/core/document';
import { plainPage } from '@marginalis/core/geometry';
import type { FoundOn, PrintedHit } from '@marginalis/core/print';
import type { SearchNews } from '@/work';
import { pageRefsFor } from '../../../core/testing/marks';
import { DocumentSearch } from './documentSearch';
import type { SourcePrint } from './sourcePrint';

const A = 'a'.repeat(64);
const B = 'b'.repeat(64);

/** Pages of two sources and one of paper: a0, b1, paper, a1, a0 again. */
const pages: Page[] = pageRefsFor(Array.from({ length: 5 }, () => plainPage(100, 200))).map(
  (page, k) => ({
    ...page,
    shows: [
      { source: A, index: 0 },
      { source: B, index: 1 },
      { paper: { pattern: 'blank' } as never },
      { source: A, index: 1 },
      { source: A, index: 0 },
    ][k],
  }),
);

const hit = (from: number): PrintedHit => ({
  from,
  to: from + 4,
  quote: { exact: 'tide', before: '', after: '' },
  at: { x: 0, y: 0 },
});
const found = (page: number, ...froms: number[]): FoundOn => ({
  page,
  hits: froms.map(hit),
  more: 0,
  wordless: froms.length === 0,
});

interface Asked {
  readonly source: string;
  readonly first: number;
  tell(news: SearchNews): void;
  fail(message: string): void;
}

function searchIn(all: readonly Page[] = pages): { search: DocumentSearch; asked: Asked[] } {
  const asked: Asked[] = [];
  const print = {
    readerOf: (source: string) => ({
      search: ({ first }: { first: number }, tell: (news: SearchNews) => void) =>
        new Promise((_, reject) =>
          asked.push({ source, first, tell, fail: (message) => reject(new Error(message)) }),
        ),
    }),
  };
  return { search: new DocumentSearch(print as unknown as SourcePrint, () => all), asked };
}
const placesOf = (search: DocumentSearch): string[] =>
  search.store.getState().hits.map(({ page, from }) => `${page} ${from}`);

test('hits of several sources stand in the order of the document, as often as their page does', () => {
  const { search, asked } = searchIn();
  search.find('tide', {}, 3);
  expect(asked.map(({ source, first }) => [source, first])).toEqual([
    [A, 1],
    [B, 1],
  ]);
  asked[0].tell({ found: [found(1, 7)], read: 1, of: 2 });
  expect(placesOf(search)).toEqual(['p3 7']);
  expect(search.store.getState().reading).toEqual({ read: 1, of: Infinity });
  asked[1].tell({ found: [found(1, 2, 5)], read: 2, of: 2, done: true });
  asked[0].tell({ found: [found(0, 1)], read: 2, of: 2, done: true });
  expect(placesOf(search)).toEqual(['p0 1', 'p1 2', 'p1 5', 'p3 7', 'p4 1']);
  expect(search.store.getState().reading).toBeNull();
});

test('next and before go round, from the page in sight on', () => {
  const { search, asked } = searchIn();
  search.find('tide', {}, 0);
  expect(search.next(1, 0)).toBeNull();
  asked[0].tell({ found: [found(0, 1), found(1, 7)], read: 2, of: 2, done: true });
  expect(search.next(1, 2)?.from).toBe(7);
  expect(search.next(1, 0)?.page).toBe('p4');
  expect(search.next(1, 0)?.page).toBe('p0');
  expect(search.next(-1, 0)?.page).toBe('p4');
  // What comes later does not take one away from where one is.
  asked[1].tell({ found: [found(1, 2)], read: 2, of: 2, done: true });
  expect(search.store.getState().at?.page).toBe('p4');
  search.find('tid', {}, 0);
  expect(search.store.getState().at).toBeNull();
});

test('what an earlier search still tells is not heard; nothing is looked for without a word', () => {
  const { search, asked } = searchIn();
  search.find('tid', {}, 0);
  search.find('tide', {}, 0);
  asked[0].tell({ found: [found(0, 1)], read: 2, of: 2, done: true });
  expect(placesOf(search)).toEqual([]);
  search.find('  ', {}, 0);
  asked[2].tell({ found: [found(0, 1)], read: 2, of: 2, done: true });
  expect(search.store.getState()).toMatchObject({ term: '', hits: [], reading: null });
  expect(asked).toHaveLength(4);
});

test('pages without words are counted, and a source that cannot be read says why', async () => {
  const { search, asked } = searchIn();
  search.find('tide', {}, 0);
  asked[0].tell({ found: [found(0), found(1, 7)], read: 2, of: 2, done: true });
  asked[1].fail('It is damaged.');
  await new Promise((resolve) => setTimeout(resolve));
  expect(search.store.getState()).toMatchObject({
    wordless: 2,
    reading: null,
    trouble: 'It is damaged.',
  });
  expect(placesOf(search)).toEqual(['p3 7']);
});

test('hits stay the ones they were while more are found', () => {
  const { search, asked } = searchIn();
  search.find('tide', {}, 0);
  asked[0].tell({ found: [found(0, 1)], read: 1, of: 2 });
  const [first] = search.store.getState().hits;
  asked[0].tell({ found: [found(1, 7)], read: 2, of: 2, done: true });
  expect(search.store.getState().hits).toHaveLength(3);
  expect(search.store.getState().hits[0]).toBe(first);
});

import { done, lineOn, pageRefsFor, written } from '../../testing/marks.ts';
import { boundsOf } from '../derived/index.ts';
import {
  applyTransaction,
  type DocState,
  findMark,
  invertTransaction,
  type OwnLink,
} from '../document/index.ts';
import { box, plainPage } from '../geometry/index.ts';
import { carryMarks, moveToPage } from './carry.ts';
import { removeMarks } from './erase.ts';
import { addLinks, changeLink, keepLinks, removeLinks } from './links.ts';
import { bringPages, duplicatePages, makeContents, removePages } from './pages/index.ts';

const PAGES = pageRefsFor([plainPage(300, 400), plainPage(300, 400), plainPage(300, 400)]);
const link = (id: string, more: Partial<OwnLink> = {}): OwnLink => ({
  ...{ id, page: 'p0', area: box(10, 10, 60, 30), to: { page: 'p1', at: null }, framed: false },
  ...more,
});
const state = written(PAGES, [lineOn(0, 'line'), lineOn(1, 'other')]);
const overLine = (): DocState => {
  const mark = findMark(state, 'line');
  if (!mark) throw new Error('The line is not there.');
  return done(state, addLinks([link('a', { mark: 'line', area: boundsOf(mark) })]));
};
const newIds = () => {
  let n = 0;
  return () => `new ${(n += 1)}`;
};

test('a link over a mark goes where it goes, and with it', () => {
  const held = overLine();
  const moved = carryMarks(held, ['line'], [1, 0, 0, 1, 40, 25], 'Move');
  const after = done(held, moved && keepLinks(held, moved));
  const was = held.links.get('a')?.area;
  const is = after.links.get('a')?.area;
  expect(is?.minX).toBeCloseTo((was?.minX ?? 0) + 40, 1);
  expect(is?.minY).toBeCloseTo((was?.minY ?? 0) + 25, 1);

  const other = moveToPage(held, ['line'], 'p2', { x: 100, y: 100 });
  expect(other).not.toBeNull();
  expect(done(held, other && keepLinks(held, other)).links.get('a')?.page).toBe('p2');

  const gone = removeMarks(held, ['line']);
  const kept = gone && keepLinks(held, gone);
  const without = done(held, kept);
  expect(without.links.size).toBe(0);
  const back = kept && applyTransaction(without, invertTransaction(kept));
  expect(back?.ok && back.state.links.get('a')).toEqual(held.links.get('a'));
});

test('what concerns no link stays the same transaction', () => {
  const gone = removeMarks(state, ['line']);
  expect(gone && keepLinks(state, gone)).toBe(gone);
  const held = overLine();
  const other = removeMarks(held, ['other']);
  expect(other && keepLinks(held, other)).toBe(other);
});

test('a link is led elsewhere and framed; what stands for a link of the file leaves nothing behind it', () => {
  const held = done(state, addLinks([link('a'), link('b', { instead: box(10, 10, 60, 30) })]));
  const a = held.links.get('a') as OwnLink;
  expect(changeLink(a, { framed: false })).toBeNull();
  expect(done(held, changeLink(a, { framed: true })).links.get('a')?.framed).toBe(true);
  const b = held.links.get('b') as OwnLink;
  const after = done(held, removeLinks([a, b, { page: 'p2', area: box(0, 0, 9, 9) }], newIds()));
  expect([...after.links.values()]).toEqual([
    { ...b, to: null, framed: false },
    {
      id: 'new 1',
      page: 'p2',
      area: box(0, 0, 9, 9),
      instead: box(0, 0, 9, 9),
      to: null,
      framed: false,
    },
  ]);
});

test('links come along with pages that are had twice, and lead to what comes along', () => {
  const held = done(
    overLine(),
    addLinks([
      link('to p1', { to: { page: 'p1', at: null } }),
      link('to p0', { page: 'p1', to: { page: 'p0', at: { x: 3, y: 4 } } }),
      link('out', { to: { address: 'https://tides.example/' } }),
    ]),
  );
  const after = done(held, duplicatePages(held, ['p0'], newIds()));
  const copy = after.pages[1].id;
  const come = [...after.links.values()].filter(({ page }) => page === copy);
  expect(come.map(({ to }) => to)).toEqual([
    { page: 'p1', at: null },
    { page: 'p1', at: null },
    { address: 'https://tides.example/' },
  ]);
  expect(findMark(after, come[0].mark ?? '')?.page).toBe(copy);
  const both = done(held, duplicatePages(held, ['p0', 'p1'], newIds()));
  const [, , third, fourth] = both.pages;
  const led = [...both.links.values()].filter(({ page }) => page === fourth.id);
  expect(led.map(({ to }) => to)).toEqual([{ page: third.id, at: { x: 3, y: 4 } }]);
});

test('into another document come links that lead to what comes, or out', () => {
  const held = done(
    state,
    addLinks([
      link('to p1'),
      link('to p2', { to: { page: 'p2', at: null } }),
      link('out', { page: 'p1', to: { address: 'https://tides.example/' } }),
      link('gone', { instead: box(1, 1, 2, 2), to: null }),
    ]),
  );
  const into = written(pageRefsFor([plainPage(300, 400)]), []);
  const after = done(into, bringPages(into, 'p0', held, [0, 1], newIds()));
  const [, first, second] = after.pages;
  expect([...after.links.values()].map(({ page, to }) => [page, to])).toEqual([
    [first.id, { page: second.id, at: null }],
    [second.id, { address: 'https://tides.example/' }],
    [first.id, null],
  ]);
});

test('a contents page lists places with what their pages are called once it is there', () => {
  const entries = Array.from({ length: 40 }, (_, k) => ({
    title: `Part ${k + 1}`,
    depth: k % 3,
    page: `p${k % 3}`,
    at: k % 2 === 0 ? { x: 20, y: 300 } : null,
  }));
  const made = makeContents(state, {
    heading: 'Contents',
    entries,
    namesOf: (pages) => pages.map((_, k) => String(k + 1)),
    newId: newIds(),
    madeAt: 1,
  });
  const after = done(state, made);
  const added = after.pages.length - state.pages.length;
  expect(added).toBeGreaterThan(1);
  expect(after.links.size).toBe(40);
  const texts = [...(after.marks.get(after.pages[0].id)?.values() ?? [])].flatMap((mark) =>
    'block' in mark ? [mark.block.spans[0].text] : [],
  );
  expect(texts.slice(0, 5)).toEqual([
    'Contents',
    String(added + 1),
    'Part 1',
    String(added + 2),
    'Part 2',
  ]);
  for (const { page, area } of after.links.values()) {
    const { box: sheet } = after.pages.find(({ id }) => id === page) ?? PAGES[0];
    expect(area.minY).toBeGreaterThan(sheet.minY);
    expect(area.maxX).toBeLessThan(sheet.maxX);
  }
  expect(done(after, removePages(after, [after.pages[0].id])).pages).toHaveLength(added + 2);
  expect(
    makeContents(state, {
      heading: '',
      entries: [],
      namesOf: () => [],
      newId: newIds(),
      madeAt: 1,
    }),
  ).toBeNull();
});

import fc from 'fast-check';
import { inkMark } from '../../testing/arbitraries.ts';
import { done, pageRefsFor, written } from '../../testing/marks.ts';
import { wavePath } from '../../testing/hand.ts';
import { boundsOf } from '../derived/index.ts';
import { type DocState, emptyDocument, marksOn } from '../document/index.ts';
import { emptyText } from '../editing/index.ts';
import { boxHeight, boxWidth, displayMatrix, plainPage, transformBox } from '../geometry/index.ts';
import { asSignature, asStamp, asText, kindFor, type Mark } from '../kinds/index.ts';
import { FIRST_ROLL } from '../marks/index.ts';
import { textOfSpans } from '../type/index.ts';
import {
  type DrawerItem,
  DrawerFileError,
  foldersOf,
  fromItemRecord,
  type NewItem,
  orderBeside,
  putIn,
  readDrawer,
  searchDrawer,
  takeOut,
  type TakenOut,
  toItemRecord,
  writeDrawer,
} from './index.ts';

const pages = pageRefsFor([plainPage(400, 600), { ...plainPage(300, 400), rotate: 90 }]);
const asked: NewItem = {
  ...{ id: 'i1', name: 'Ines Mara', folder: 'Names', sort: 'signature', dated: true },
  ...{ order: 1, madeAt: 5, preview: '' },
};
const fields = { name: 'Ines', date: '4 May 2026', time: '9:30', title: 'Log', page: '2' };
let count = 0;
const out = (part: Partial<TakenOut> = {}): TakenOut => ({
  ...{ page: pages[0], at: { x: 200, y: 300 }, fields, madeAt: 9, author: '' },
  newId: () => `n${count++}`,
  ...part,
});

const signed = (): DocState =>
  written(pages, [{ page: 0, id: 'wave', path: wavePath({ x: 40, y: 100 }, 150, 8, 3) }]);
function itemOf(part: Partial<NewItem> = {}, state = signed()): DrawerItem {
  const ids = [...marksOn(state, 'p0').keys()];
  const put = putIn(state, ids, { ...asked, ...part });
  if (!put) throw new Error('Nothing was put in.');
  return put.item;
}
function put(item: DrawerItem, part: Partial<TakenOut> = {}): readonly Mark[] {
  const to = out(part);
  const state = done(emptyDocument(pages), takeOut(emptyDocument(pages), item, [], to));
  return [...marksOn(state, to.page.id).values()];
}

test('a signature is one mark that stands on its place, no larger than its room, with the day beneath', () => {
  const room = { width: 90, height: 24 };
  const [mark, ...more] = put(itemOf(), { room });
  expect(more).toEqual([]);
  const signature = asSignature(mark);
  expect(kindFor(mark).words(mark)).toMatchObject({
    name: 'Signature',
    text: 'Ines Mara, 4 May 2026',
  });
  const ink = boundsOf(signature?.parts[0] as Mark);
  expect(boxWidth(ink)).toBeLessThanOrEqual(90.01);
  expect(boxHeight(ink)).toBeLessThanOrEqual(24.01);
  expect(ink.minY).toBeCloseTo(300, 0);
  expect((ink.minX + ink.maxX) / 2).toBeCloseTo(200, 0);
  expect(put(itemOf({ dated: false }))[0]).toMatchObject({ parts: [{ kind: 'ink' }] });
});

test('it is upright on a page that lies on its side, and whole on every page', () => {
  for (const at of [
    { x: 150, y: 200 },
    { x: -50, y: 900 },
  ]) {
    const [mark] = put(itemOf({ dated: false }), { page: pages[1], at });
    const seen = transformBox(displayMatrix(pages[1]), boundsOf(mark));
    expect(boxWidth(seen)).toBeGreaterThan(4 * boxHeight(seen));
    expect(Math.min(seen.minX, seen.minY)).toBeGreaterThan(-1);
    expect(seen.maxX).toBeLessThan(401);
    expect(seen.maxY).toBeLessThan(301);
  }
});

test('what is put where the same was put lies beside it', () => {
  const item = itemOf({ sort: 'stamp' });
  const once = done(emptyDocument(pages), takeOut(emptyDocument(pages), item, [], out()));
  const twice = done(once, takeOut(once, item, [], out()));
  const [a, b] = [...marksOn(twice, 'p0').values()].map((mark) => boundsOf(mark));
  expect([b.minX - a.minX, b.minY - a.minY]).toEqual([
    expect.closeTo(14, 5),
    expect.closeTo(-14, 5),
  ]);
});

test('fields of text are filled in, in marks and in stamps made of them', () => {
  const base = emptyDocument(pages);
  const text = emptyText(base, {
    ...{ id: 't', page: 'p0', instrument: FIRST_ROLL[10], at: { x: 50, y: 500 }, angle: 0 },
    ...{ width: 200, madeAt: 1 },
  });
  const [span] = text.block.spans;
  const says = '{name}, {date} · no. {number} · {nothing}';
  const box = { ...text, block: { ...text.block, spans: [{ ...span, text: says }] } };
  const change = { part: 'mark' as const, id: 't', before: null, after: box };
  const state = done(base, { label: 'Type', changes: [change] });
  const marks = put(itemOf({ sort: 'marks' }, state), { fields: { ...fields, number: '7' } });
  const said = (mark: Mark | null | undefined) =>
    textOfSpans(asText(mark ?? null)?.block.spans ?? []);
  expect(said(marks[0])).toBe('Ines, 4 May 2026 · no. 7 · {nothing}');
  const [stamp] = put(itemOf({ sort: 'stamp' }, state));
  expect(said(asStamp(stamp)?.parts[0] as Mark)).toBe('Ines, 4 May 2026 · no.  · {nothing}');
});

test('a drawer goes into a file and comes back; what of it cannot be read is left', () => {
  fc.assert(
    fc.property(fc.array(inkMark, { minLength: 1, maxLength: 3 }), (marks) => {
      const item = { ...itemOf(), marks };
      expect(fromItemRecord(JSON.parse(JSON.stringify(toItemRecord(item))))).toEqual(item);
      expect(readDrawer(writeDrawer([item], []))).toEqual({
        items: [item],
        attachments: [],
        left: 0,
      });
    }),
    { numRuns: 20 },
  );
  const item = itemOf();
  const missing = { ...item, id: 'i2', attachments: ['f'.repeat(64)] };
  const odd = { ...item, id: 'i3', sort: 'nothing' } as unknown as DrawerItem;
  expect(readDrawer(writeDrawer([item, missing, odd], [])).left).toBe(2);
  for (const text of ['', '{', '[]', '{"marginalis-drawer":1}', '{"items":[],"attachments":[]}'])
    expect(() => readDrawer(text)).toThrow(DrawerFileError);
  expect(() => readDrawer('{"marginalis-drawer":2,"items":[],"attachments":[]}')).toThrow(/newer/);
});

test('things are found by words of their names and folders, as ordered by hand or by use, among five thousand', () => {
  const item = itemOf();
  const named = (name: string, folder: string, order: number, usedAt = 0): DrawerItem => ({
    ...item,
    ...{ id: name, name, folder, order, usedAt },
  });
  const all = [named('Übung', 'Ticks', 2), named('Well seen', 'Ticks', 1, 9), named('Map', '', 3)];
  const names = (found: readonly DrawerItem[]) => found.map(({ name }) => name);
  const any = { term: '', folder: null, by: 'hand' } as const;
  expect(names(searchDrawer(all, any))).toEqual(['Well seen', 'Übung', 'Map']);
  expect(names(searchDrawer(all, { ...any, term: 'ubu tick' }))).toEqual(['Übung']);
  expect(names(searchDrawer(all, { ...any, folder: 'Ticks', by: 'use' }))).toEqual([
    'Well seen',
    'Übung',
  ]);
  expect(foldersOf(all)).toEqual(['Ticks']);
  const shown = searchDrawer(all, any);
  expect(orderBeside(shown, 'Well seen', 1)).toBe(2.5);
  expect(orderBeside(shown, 'Übung', 1)).toBe(4);
  expect(orderBeside(shown, 'Map', 1)).toBeNull();
  const many = Array.from({ length: 5000 }, (_, k) => named(`Thing ${k}`, `F${k % 9}`, k));
  expect(searchDrawer(many, { ...any, term: 'thing 4999' })).toHaveLength(1);
});

test('a stamp of one’s own keeps what it is made by; what is none is refused', () => {
  const design = {
    id: 'd',
    says: 'Seen · {date}',
    form: 'ring',
    colour: '#1f3361',
    size: 12,
  } as const;
  const item: DrawerItem = { ...itemOf({ sort: 'stamp' }), design };
  expect(fromItemRecord(JSON.parse(JSON.stringify(toItemRecord(item))))).toEqual(item);
  const bad = (change: object) => () =>
    fromItemRecord({ ...toItemRecord(item), design: { ...design, ...change } });
  expect(bad({ form: 'cloud' })).toThrow();
  expect(bad({ size: 4000 })).toThrow();
  expect(bad({ colour: 'red' })).toThrow();
});

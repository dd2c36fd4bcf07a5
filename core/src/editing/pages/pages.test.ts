import fc from 'fast-check';
import {
  applyTransaction,
  changeOf,
  type DocState,
  emptyDocument,
  isWidened,
  invertTransaction,
  markChange,
  marksOn,
  type Page,
  pagesOfSource,
  type Transaction,
} from '../../document/index.ts';
import { displaySize, plainPage } from '../../geometry/index.ts';
import { done, lineOn, written } from '../../../testing/marks.ts';
import { usualRuling } from '../../paper/index.ts';
import {
  addPapers,
  cropPages,
  duplicatePages,
  insetsOf,
  interleavePages,
  movePages,
  removePages,
  reversePages,
  turnPages,
  widenPages,
} from './index.ts';

const SHA = 'a'.repeat(64);
const pages = (count: number): Page[] =>
  pagesOfSource(
    SHA,
    Array.from({ length: count }, () => plainPage(400, 600)),
    (k) => String.fromCharCode(97 + k),
  );
const document = (count: number): DocState => emptyDocument(pages(count));
const order = ({ pages: all }: DocState): string => all.map(({ id }) => id).join('');
const after = (state: DocState, transaction: Transaction | null): string =>
  transaction ? order(done(state, transaction)) : 'nothing';
let count = 0;
const newId = (): string => `new ${count++}`;

test.each([
  ['b', 'd', 'acdbef'],
  ['b', null, 'bacdef'],
  ['bd', 'f', 'acefbd'],
  ['bd', 'a', 'abdcef'],
  ['bd', 'b', 'abdcef'],
  ['ad', 'd', 'bcadef'],
  ['db', null, 'bdacef'],
  ['b', 'a', 'nothing'],
  ['b', 'b', 'nothing'],
  ['abcdef', null, 'nothing'],
  ['x', 'a', 'nothing'],
  ['b', 'gone', 'bacdef'],
])('pages %s come behind %s: %s', (moving, behind, expected) => {
  const state = document(6);
  expect(after(state, movePages(state, [...moving], behind))).toBe(expected);
});

test('so often between the same two that no number is left, pages still find their place', () => {
  let state = document(4);
  for (let k = 0; k < 120; k++) {
    const last = state.pages[3].id;
    state = done(state, movePages(state, [last], 'a'));
    expect(state.pages[1].id).toBe(last);
  }
});

test('the last comes first, in the places that they have together', () => {
  const state = document(5);
  expect(after(state, reversePages(state, ['b', 'd', 'e']))).toBe('aecdb');
  expect(reversePages(state, ['b'])).toBeNull();
});

test('paper comes after each of some pages, in their sizes, also where no number is left between them', () => {
  const ruled = usualRuling('ruled');
  let state = emptyDocument(pages(3).map((page, k) => ({ ...page, order: 1 + k * 1e-6 })));
  let n = 0;
  const next = (): string => String((n += 1));
  state = done(state, addPapers(state, ['c', 'a'], ruled, next));
  expect(order(state)).toBe('a1bc2');
  state = done(state, addPapers(state, ['a', '1', 'b'], ruled, next));
  expect(order(state)).toBe('a314b5c2');
  expect(displaySize(state.pages[1])).toEqual({ width: 400, height: 600 });
  expect(addPapers(state, ['x'], ruled, next)).toBeNull();
});

test('fronts and backs of sheets are put together, also when the pile was turned over', () => {
  const state = document(6);
  expect(after(state, interleavePages(state, 'abcdef', false))).toBe('adbecf');
  expect(after(state, interleavePages(state, 'abcdef', true))).toBe('afbecd');
  expect(after(document(5), interleavePages(document(5), 'abcde', true))).toBe('aebdc');
});

test('a document keeps one page at least, and a removed page its marks', () => {
  const state = written(pages(2), [lineOn(1, 'ink')]);
  expect(removePages(state, ['a', 'b'])).toBeNull();
  const removing = removePages(state, ['b']);
  const without = done(state, removing);
  expect([order(without), marksOn(without, 'b').size]).toEqual(['a', 1]);
  expect(done(without, invertTransaction(removing as Transaction))).toEqual(state);
});

test('copies of pages come behind the last of them, with their marks and notes as their own', () => {
  const inked = written(pages(3), [lineOn(0, 'ink')]);
  const [ink] = marksOn(inked, 'a').values();
  const thread = {
    ...{ id: 't', mark: 'ink', settled: null, tags: [] },
    remarks: [{ id: 'r', author: 'Ines', text: 'Why?', madeAt: 1, editedAt: null }],
  };
  const state = done(inked, {
    label: 'Note',
    changes: [
      changeOf('thread', null, thread),
      markChange(ink, { ...ink, locked: true, group: 'g' }),
    ],
  });
  const copied = done(state, duplicatePages(state, ['a', 'b'], newId));
  expect(copied.pages).toHaveLength(5);
  expect(order(copied)).toMatch(/^ab.*c$/);
  const copy = copied.pages[2];
  const [mark] = marksOn(copied, copy.id).values();
  expect(mark).toMatchObject({ page: copy.id, locked: true });
  expect(mark.id).not.toBe('ink');
  expect(mark.group).not.toBe('g');
  const [, other] = copied.threads.values();
  expect(other).toMatchObject({ mark: mark.id, remarks: [{ text: 'Why?' }] });
  expect(other.remarks[0].id).not.toBe('r');
});

test('a turned page is cropped as it is seen, and shown whole again', () => {
  const state = document(2);
  const turned = done(state, turnPages(state, ['a'], 90));
  expect(displaySize(turned.pages[0])).toEqual({ width: 600, height: 400 });
  const insets = { top: 20, right: 30, bottom: 40, left: 50 };
  const cropped = done(turned, cropPages(turned, ['a', 'b'], insets));
  expect(displaySize(cropped.pages[0])).toEqual({ width: 520, height: 340 });
  expect(insetsOf(cropped.pages[0])).toEqual(insets);
  expect(cropPages(cropped, ['a', 'b'], insets)).toBeNull();
  const narrow = { top: 0, right: 300, bottom: 0, left: 295 };
  expect(cropPages(state, ['a'], narrow)).toBeNull();
  expect(done(cropped, cropPages(cropped, ['a', 'b'], null)).pages[1]).toEqual(state.pages[1]);
});

test('a page is given room at its sides as it is seen, more of it later, and it is cropped away again', () => {
  const state = done(document(2), turnPages(document(2), ['a'], 90));
  const right = { top: 0, right: 100, bottom: 0, left: 0 };
  const wide = done(state, widenPages(state, ['a', 'b'], right));
  expect(wide.pages.map((page) => displaySize(page))).toEqual([
    { width: 700, height: 400 },
    { width: 500, height: 600 },
  ]);
  // Print and marks stay where they lie: the room is at the head of the sheet as it came.
  expect(wide.pages[0].box).toEqual({ minX: 0, minY: 0, maxX: 400, maxY: 700 });
  expect(wide.pages.map(isWidened)).toEqual([true, true]);
  const wider = done(wide, widenPages(wide, ['a'], { ...right, top: 30 }));
  expect(insetsOf(wider.pages[0])).toEqual({ top: -30, right: -200, bottom: 0, left: 0 });
  expect(widenPages(state, ['a'], { ...right, right: 14_000 })).toBeNull();
  const back = done(wider, cropPages(wider, ['a', 'b'], null));
  expect(back.pages).toEqual(state.pages);
});

const ids = fc.subarray([...'abcdef'], { minLength: 1 });
const step = fc.oneof(
  fc.tuple(ids, fc.constantFrom(null, ...'abcdef')).map(
    ([some, behind]) =>
      (state: DocState) =>
        movePages(state, some, behind),
  ),
  ids.map((some) => (state: DocState) => removePages(state, some)),
  ids.map((some) => (state: DocState) => reversePages(state, some)),
  ids.map((some) => (state: DocState) => interleavePages(state, some, true)),
  ids.map((some) => (state: DocState) => duplicatePages(state, some, newId)),
  ids.map((some) => (state: DocState) => addPapers(state, some, usualRuling('squared'), newId)),
  fc.tuple(ids, fc.constantFrom(90 as const, 180 as const, 270 as const)).map(
    ([some, by]) =>
      (state: DocState) =>
        turnPages(state, some, by),
  ),
  fc.tuple(ids, fc.nat(500)).map(
    ([some, top]) =>
      (state: DocState) =>
        cropPages(state, some, { top, right: 5, bottom: 0, left: 0 }),
  ),
);

test('whatever is done to pages, in whatever order, is undone step by step', () => {
  fc.assert(
    fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
      const start = document(6);
      const states = [start];
      const inverses: Transaction[] = [];
      for (const make of steps) {
        const state = states[states.length - 1];
        const transaction = make(state);
        if (!transaction) continue;
        states.push(done(state, transaction));
        inverses.push(invertTransaction(transaction));
        expect(states[states.length - 1].pages.length).toBeGreaterThan(0);
      }
      while (inverses.length > 0) {
        const state = states.pop() as DocState;
        const back = applyTransaction(state, inverses.pop() as Transaction);
        expect(back.ok && back.state.pages).toEqual(states[states.length - 1].pages);
      }
    }),
  );
});

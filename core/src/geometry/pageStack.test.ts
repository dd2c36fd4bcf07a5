import fc from 'fast-check';
import {
  type Arrangement,
  CONTINUOUS,
  FOLD,
  PAGE_GAP,
  pagesInBand,
  pageUnder,
  spreadAt,
  spreadOf,
  stackPages,
} from './pageStack.ts';

const sizes = fc.array(
  fc.record({
    width: fc.integer({ min: 50, max: 900 }),
    height: fc.integer({ min: 50, max: 900 }),
  }),
  { minLength: 1, maxLength: 60 },
);
const place = fc.double({ min: -500, max: 20_000, noNaN: true });
const arrangement = fc.record<Arrangement>({
  across: fc.constantFrom(1, 2),
  cover: fc.boolean(),
  flow: fc.constantFrom('down', 'sideways'),
});
const FACING: Arrangement = { across: 2, cover: true, flow: 'down' };
const TWO = [
  { width: 100, height: 200 },
  { width: 300, height: 50 },
];
const a4 = (count: number) => Array.from({ length: count }, () => ({ width: 595, height: 842 }));

test('pages follow each other with one gap between them', () => {
  const stack = stackPages(TWO);
  expect([...stack.tops]).toEqual([PAGE_GAP, PAGE_GAP + 200 + PAGE_GAP]);
  expect(stack.width).toBe(300);
  expect(stack.height).toBe(200 + 50 + 3 * PAGE_GAP);
  expect(stack.lefts[0]).toBe(100);
});

test('of facing pages the cover lies alone on the right, and the last on the left', () => {
  const { spreads, lefts, tops, width } = stackPages(a4(4), FACING);
  expect(spreads.map(({ first, last }) => [first, last])).toEqual([
    [0, 0],
    [1, 2],
    [3, 3],
  ]);
  expect(width).toBe(2 * 595 + FOLD);
  expect([...lefts]).toEqual([595 + FOLD, 0, 595 + FOLD, 0]);
  expect(tops[2]).toBe(tops[1]);
  const { spreads: without } = stackPages(a4(4), { ...FACING, cover: false });
  expect(without.map(({ first, last }) => [first, last])).toEqual([
    [0, 1],
    [2, 3],
  ]);
});

test('sideways spreads lie beside each other, each in the middle of the height', () => {
  const stack = stackPages(TWO, { ...CONTINUOUS, flow: 'sideways' });
  expect([...stack.lefts]).toEqual([PAGE_GAP, PAGE_GAP + 100 + PAGE_GAP]);
  expect([...stack.tops]).toEqual([PAGE_GAP, PAGE_GAP + 75]);
  expect([stack.width, stack.height]).toEqual([400 + 3 * PAGE_GAP, 200 + 2 * PAGE_GAP]);
});

test('however they are arranged no two pages overlap, and all lie within the stack', () => {
  fc.assert(
    fc.property(sizes, arrangement, (s, how) => {
      const { lefts, tops, widths, heights, width, height } = stackPages(s, how);
      s.forEach((_, i) => {
        expect(lefts[i]).toBeGreaterThanOrEqual(-1e-9);
        expect(lefts[i] + widths[i]).toBeLessThanOrEqual(width + 1e-9);
        expect(tops[i]).toBeGreaterThanOrEqual(PAGE_GAP - 1e-9);
        expect(tops[i] + heights[i]).toBeLessThanOrEqual(height - PAGE_GAP + 1e-9);
        if (i === 0) return;
        const isBeside = lefts[i] >= lefts[i - 1] + widths[i - 1];
        const isBelow = tops[i] >= tops[i - 1] + heights[i - 1];
        expect(isBeside || isBelow).toBe(true);
      });
    }),
  );
});

test('a point of a page is told with that page, however they are arranged', () => {
  fc.assert(
    fc.property(sizes, arrangement, fc.nat(), (s, how, n) => {
      const stack = stackPages(s, how);
      const index = n % s.length;
      const at = { x: s[index].width / 3, y: s[index].height / 4 };
      const hit = pageUnder(stack, { x: stack.lefts[index] + at.x, y: stack.tops[index] + at.y });
      expect(hit?.index).toBe(index);
      expect(hit?.at.x).toBeCloseTo(at.x);
      expect(hit?.at.y).toBeCloseTo(at.y);
      const { first, last } = stack.spreads[spreadOf(stack, index)];
      expect(first <= index && index <= last).toBe(true);
    }),
  );
});

test('the band finds exactly the spreads that reach into it', () => {
  fc.assert(
    fc.property(
      sizes,
      arrangement,
      place,
      fc.double({ min: 0, max: 3000, noNaN: true }),
      (s, how, from, length) => {
        const stack = stackPages(s, how);
        const to = from + length;
        const { first, last } = pagesInBand(stack, from, to);
        const ends = ({ minX, minY, maxX, maxY }: (typeof stack.spreads)[number]['box']) =>
          how.flow === 'down' ? [minY, maxY] : [minX, maxX];
        const wanted = stack.spreads
          .filter(({ box }) => ends(box)[0] <= to && ends(box)[1] >= from)
          .flatMap((spread) => [spread.first, spread.last]);
        // Before the first spread its pages stand, so that there is always a place to say.
        if (to < ends(stack.spreads[0].box)[0]) expect(first).toBe(0);
        else if (wanted.length === 0) expect(first).toBeGreaterThan(last);
        else expect([first, last]).toEqual([Math.min(...wanted), Math.max(...wanted)]);
      },
    ),
  );
});

test('the spread at a place is the last one that begins at or before it', () => {
  const stack = stackPages(a4(800));
  expect(spreadAt(stack, -10)).toBe(0);
  expect(spreadAt(stack, stack.tops[399])).toBe(399);
  expect(spreadAt(stack, stack.tops[399] - 0.01)).toBe(398);
  expect(spreadAt(stack, 1e9)).toBe(799);
  expect(spreadAt(stackPages([]), 5)).toBe(-1);
});

test('a point in a gap or beside is on no page', () => {
  const stack = stackPages(TWO);
  expect(pageUnder(stack, { x: 150, y: PAGE_GAP + 20 })).toEqual({
    index: 0,
    at: { x: 50, y: 20 },
  });
  expect(pageUnder(stack, { x: 50, y: PAGE_GAP + 20 })).toBeNull();
  expect(pageUnder(stack, { x: 150, y: PAGE_GAP + 200 + PAGE_GAP / 2 })).toBeNull();
  expect(pageUnder(stackPages([]), { x: 0, y: 0 })).toBeNull();
});

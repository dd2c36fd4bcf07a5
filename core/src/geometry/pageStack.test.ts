import fc from 'fast-check';
import {
  PAGE_GAP,
  pageAtHeight,
  pageLeft,
  pagesInBand,
  pageUnder,
  stackPages,
} from './pageStack.ts';

const sizes = fc.array(
  fc.record({
    width: fc.integer({ min: 50, max: 900 }),
    height: fc.integer({ min: 50, max: 900 }),
  }),
  { minLength: 1, maxLength: 60 },
);
const height = fc.double({ min: -500, max: 20_000, noNaN: true });

test('pages follow each other with one gap between them', () => {
  const stack = stackPages([
    { width: 100, height: 200 },
    { width: 300, height: 50 },
  ]);
  expect([...stack.tops]).toEqual([PAGE_GAP, PAGE_GAP + 200 + PAGE_GAP]);
  expect(stack.width).toBe(300);
  expect(stack.height).toBe(200 + 50 + 3 * PAGE_GAP);
  expect(pageLeft(stack, 0)).toBe(100);
});

test('the band finds exactly the pages that reach into it', () => {
  fc.assert(
    fc.property(sizes, height, fc.double({ min: 0, max: 3000, noNaN: true }), (s, top, tall) => {
      const stack = stackPages(s);
      const bottom = top + tall;
      const { first, last } = pagesInBand(stack, top, bottom);
      const wanted = s
        .map((_, i) => i)
        .filter((i) => stack.tops[i] <= bottom && stack.tops[i] + stack.heights[i] >= top);
      const found = Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => first + i);
      // Above the first page its number stands, so that there is always a place to say.
      if (bottom < stack.tops[0]) expect(found).toEqual([0]);
      else expect(found).toEqual(wanted);
    }),
  );
});

test('a page at a height is the last one that starts at or above it', () => {
  const stack = stackPages(Array.from({ length: 800 }, () => ({ width: 595, height: 842 })));
  expect(pageAtHeight(stack, -10)).toBe(0);
  expect(pageAtHeight(stack, stack.tops[399])).toBe(399);
  expect(pageAtHeight(stack, stack.tops[399] - 0.01)).toBe(398);
  expect(pageAtHeight(stack, 1e9)).toBe(799);
  expect(pageAtHeight(stackPages([]), 5)).toBe(-1);
});

test('a point is told with the page it lies on, or none in a gap or beside', () => {
  const stack = stackPages([
    { width: 100, height: 200 },
    { width: 300, height: 50 },
  ]);
  expect(pageUnder(stack, { x: 150, y: PAGE_GAP + 20 })).toEqual({
    index: 0,
    at: { x: 50, y: 20 },
  });
  expect(pageUnder(stack, { x: 50, y: PAGE_GAP + 20 })).toBeNull();
  expect(pageUnder(stack, { x: 150, y: PAGE_GAP + 200 + PAGE_GAP / 2 })).toBeNull();
  expect(pageUnder(stackPages([]), { x: 0, y: 0 })).toBeNull();
});

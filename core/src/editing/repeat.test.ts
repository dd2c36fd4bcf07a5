import fc from 'fast-check';
import { wavePath } from '../../testing/hand.ts';
import { pageBox } from '../../testing/arbitraries.ts';
import { done, pageRefsFor, written } from '../../testing/marks.ts';
import { type DocState, marksOn } from '../document/index.ts';
import { displayMatrix, displaySize, plainPage, transformBox } from '../geometry/index.ts';
import { boundsOfAll } from './carry.ts';
import { lockMarks } from './restyle.ts';
import { repeatMarks } from './repeat.ts';

const plain = plainPage(400, 600);
/** Outlines of ink stand on hundredths of a point. */
const GRID = 0.02;
let count = 0;
const newId = (): string => `new${count++}`;
const placeOn = (state: DocState, index: number) => {
  const page = state.pages[index];
  return transformBox(displayMatrix(page), boundsOfAll([...marksOn(state, page.id).values()]));
};

test('marks are put on other pages where they are on their own, in one step, once on each', () => {
  const state = written(pageRefsFor([plain, plain, { ...plain, rotate: 90 }, plain]), [
    { page: 0, path: wavePath({ x: 50, y: 500 }, 90, 6, 2), id: 'a' },
    { page: 0, path: wavePath({ x: 50, y: 460 }, 90, 6, 2), id: 'b' },
    { page: 1, path: wavePath({ x: 50, y: 100 }, 90, 6, 2), id: 'c' },
  ]);
  const asked = repeatMarks(state, ['a', 'b'], ['p0', 'p2', 'p3', 'p3', 'gone'], newId);
  expect(asked?.label).toBe('Put on 2 pages');
  const after = done(state, asked);
  expect([0, 1, 2, 3].map((k) => marksOn(after, after.pages[k].id).size)).toEqual([2, 1, 2, 2]);
  const [own, turned, other] = [placeOn(after, 0), placeOn(after, 2), placeOn(after, 3)];
  for (const edge of ['minX', 'minY', 'maxX', 'maxY'] as const) {
    expect(other[edge]).toBeCloseTo(own[edge], 6);
    // As it is seen, whichever way the page is turned.
    expect(turned[edge]).toBeCloseTo(own[edge], 6);
  }
  expect(repeatMarks(state, ['a'], ['p0'], newId)).toBeNull();
  expect(repeatMarks(state, [], ['p1'], newId)).toBeNull();
  const locked = done(state, lockMarks(state, ['a'], true));
  expect(repeatMarks(locked, ['a'], ['p1'], newId)).toBeNull();
});

test('on smaller pages they are whole where they have room', () => {
  fc.assert(
    fc.property(pageBox, (page) => {
      const state = written(pageRefsFor([plain, page]), [
        { page: 0, path: wavePath({ x: 250, y: 60 }, 90, 6, 2), id: 'a' },
      ]);
      const after = done(state, repeatMarks(state, ['a'], ['p1'], newId));
      const [b, size] = [placeOn(after, 1), displaySize(page)];
      expect(b.minX).toBeGreaterThan(-GRID);
      expect(b.minY).toBeGreaterThan(-GRID);
      if (b.maxX - b.minX <= size.width) expect(b.maxX).toBeLessThan(size.width + GRID);
      if (b.maxY - b.minY <= size.height) expect(b.maxY).toBeLessThan(size.height + GRID);
    }),
  );
});

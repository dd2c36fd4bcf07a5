import fc from 'fast-check';
import { pageRefsFor } from '../../testing/marks';
import { plainPage } from '../geometry/index.ts';
import { regionBetween, regionCarried } from './region.ts';

const [page] = pageRefsFor([plainPage(300, 400)]);
const [turned] = pageRefsFor([{ ...plainPage(300, 400), rotate: 90 }]);

test('a region lies between two corners, whichever they are, and ends with its page', () => {
  const area = { minX: 20, minY: 30, maxX: 120, maxY: 90 };
  expect(regionBetween(page, { x: 120, y: 30 }, { x: 20, y: 90 })).toEqual({ page: page.id, area });
  expect(regionBetween(page, { x: -50, y: 380 }, { x: 900, y: 900 })?.area).toEqual({
    ...{ minX: 0, minY: 380, maxX: 300, maxY: 400 },
  });
  expect(regionBetween(turned, { x: 0, y: 0 }, { x: 900, y: 900 })?.area).toEqual({
    ...{ minX: 0, minY: 0, maxX: 400, maxY: 300 },
  });
});

test('a touch without a way is no region, and neither is one beside the page', () => {
  expect(regionBetween(page, { x: 20, y: 30 }, { x: 22, y: 31 })).toBeNull();
  expect(regionBetween(page, { x: 310, y: 30 }, { x: 400, y: 130 })).toBeNull();
});

test('by its keys it is moved or made larger, and stays on its page', () => {
  const sides = fc.constantFrom('both' as const, 'min' as const, 'max' as const);
  const step = fc.integer({ min: -500, max: 500 });
  fc.assert(
    fc.property(sides, sides, fc.array(fc.tuple(step, step), { maxLength: 9 }), (x, y, steps) => {
      let region = regionBetween(page, { x: 50, y: 60 }, { x: 150, y: 160 });
      if (!region) throw new Error('There is a region.');
      for (const [dx, dy] of steps)
        region = regionCarried(region, page, { x: dx, y: dy }, { x, y });
      const { minX, minY, maxX, maxY } = region.area;
      expect(minX >= 0 && minY >= 0 && maxX <= 300 && maxY <= 400).toBe(true);
      if (x === 'both') expect(maxX - minX).toBe(100);
      else expect(x === 'min' ? maxX : minX).toBe(x === 'min' ? 150 : 50);
      expect(maxX - minX).toBeGreaterThanOrEqual(6);
      expect(maxY - minY).toBeGreaterThanOrEqual(6);
    }),
  );
});

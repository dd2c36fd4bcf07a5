import fc from 'fast-check';
import { distance, type Matrix, transform, turnAbout, type Vec } from '../geometry/index.ts';
import { fitMost, similarityOf } from './similarity.ts';

const place = fc.record({
  x: fc.integer({ min: 0, max: 600 }),
  y: fc.integer({ min: 0, max: 800 }),
});
const places = fc.uniqueArray(place, {
  minLength: 12,
  maxLength: 60,
  selector: ({ x, y }) => `${x} ${y}`,
});
const pairsUnder = (map: Matrix, all: readonly Vec[]) =>
  all.map((was) => ({ was, is: transform(map, was) }));

test('what turned, scaled and moved places is found from them', () => {
  fc.assert(
    fc.property(
      places,
      fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
      fc.double({ min: 0.5, max: 2, noNaN: true }),
      place,
      (all, angle, scale, by) => {
        const [c, s] = [scale * Math.cos(angle), scale * Math.sin(angle)];
        const map: Matrix = [c, s, -s, c, by.x, by.y];
        const found = similarityOf(pairsUnder(map, all));
        for (const was of all)
          // Turns and scales of next to nothing are taken for none.
          expect(distance(transform(found, was), transform(map, was))).toBeLessThan(3.5);
      },
    ),
  );
});

test('places that went elsewhere do not lead it astray, as long as most did not', () => {
  const all = Array.from({ length: 60 }, (_, k) => ({ x: (137 * k) % 500, y: (211 * k) % 700 }));
  const map = turnAbout(0.035, { x: 250, y: 350 });
  const pairs = pairsUnder(map, all).map((pair, k) =>
    k % 3 === 0 ? { ...pair, is: { x: pair.is.x + 80, y: pair.is.y - 40 } } : pair,
  );
  const fit = fitMost(pairs, 1.5);
  expect(fit?.agreeing).toHaveLength(40);
  expect(distance(transform(fit?.map ?? map, all[1]), transform(map, all[1]))).toBeLessThan(0.1);
  expect(fitMost([], 1)).toBeNull();
});

import fc from 'fast-check';
import { placeInOrder, type Wanting } from './placeInOrder.ts';

const GAP = 4;
const things = fc
  .array(
    fc.record({
      at: fc.double({ min: 0, max: 800, noNaN: true }),
      height: fc.double({ min: 1, max: 90, noNaN: true }),
    }),
    { maxLength: 30 },
  )
  .map((all) => all.sort((a, b) => a.at - b.at));
const squares = (all: readonly Wanting[], tops: readonly number[]): number =>
  all.reduce((sum, { at }, k) => sum + (tops[k] - at) ** 2, 0);

test('what has room stands where it wants to; what has none shares the way', () => {
  expect(
    placeInOrder(
      [
        { at: 10, height: 20 },
        { at: 100, height: 20 },
      ],
      GAP,
    ),
  ).toEqual([10, 100]);
  // Two at one height: one up, one down, by the same.
  expect(
    placeInOrder(
      [
        { at: 100, height: 20 },
        { at: 100, height: 20 },
      ],
      GAP,
    ),
  ).toEqual([88, 112]);
  expect(placeInOrder([], GAP)).toEqual([]);
});

test('all stand within the page, as long as there is room for them', () => {
  const page = { from: 0, to: 800 };
  fc.assert(
    fc.property(things, (all) => {
      const tops = placeInOrder(all, GAP, page);
      const need = all.reduce((sum, { height }) => sum + height + GAP, -GAP);
      const foot = tops.map((top, k) => top + all[k].height).at(-1) ?? 0;
      expect(tops[0] ?? 0).toBeGreaterThanOrEqual(0);
      if (need <= 800) expect(foot).toBeLessThanOrEqual(800 + 1e-6);
      for (let k = 1; k < all.length; k++)
        expect(tops[k] - tops[k - 1]).toBeGreaterThanOrEqual(all[k - 1].height + GAP - 1e-6);
    }),
  );
});

test('nothing overlaps, and the order stays', () => {
  fc.assert(
    fc.property(things, (all) => {
      const tops = placeInOrder(all, GAP);
      for (let k = 1; k < all.length; k++)
        expect(tops[k] - tops[k - 1]).toBeGreaterThanOrEqual(all[k - 1].height + GAP - 1e-6);
    }),
  );
});

/** The same by Dykstra's projections onto one pair after the other (R. L. Dykstra 1983; from memory): slow, and of another kind. */
function byProjections(all: readonly Wanting[]): number[] {
  const tops = all.map(({ at }) => at);
  const given = all.map(() => 0);
  for (let round = 0; round < 4000; round++)
    for (let k = 1; k < all.length; k++) {
      const need = all[k - 1].height + GAP;
      const [a, b] = [tops[k - 1] - given[k], tops[k] + given[k]];
      const lack = Math.max(0, (need - (b - a)) / 2);
      [tops[k - 1], tops[k], given[k]] = [a - lack, b + lack, -lack];
    }
  return tops;
}

test('no way of standing is nearer to what is wanted', () => {
  fc.assert(
    fc.property(things, (all) => {
      const least = squares(all, byProjections(all));
      expect(squares(all, placeInOrder(all, GAP))).toBeLessThanOrEqual(1.001 * least + 1e-3);
    }),
    { numRuns: 30 },
  );
});

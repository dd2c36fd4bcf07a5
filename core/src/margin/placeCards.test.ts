import fc from 'fast-check';
import { solveQP } from 'quadprog';
import { placeCards } from './placeCards.ts';
import type { Wanting } from './placeInOrder.ts';

const GAP = 6;
const cards = fc
  .array(
    fc.record({
      at: fc.double({ min: 0, max: 900, noNaN: true }),
      height: fc.double({ min: 20, max: 160, noNaN: true }),
    }),
    { minLength: 1, maxLength: 50 },
  )
  .map((all) => all.sort((a, b) => a.at - b.at));
const held = cards.chain((all) => fc.tuple(fc.constant(all), fc.nat({ max: all.length - 1 })));

test('no two cards overlap, their order stays, and the chosen one is level with its place', () => {
  fc.assert(
    fc.property(held, ([all, chosen]) => {
      const tops = placeCards(all, GAP, chosen);
      expect(tops[chosen]).toBe(all[chosen].at);
      for (let k = 1; k < all.length; k++)
        expect(tops[k] - tops[k - 1]).toBeGreaterThanOrEqual(all[k - 1].height + GAP - 1e-6);
    }),
  );
});

test('none stands above the head of the column, but for those that a chosen one pushes out', () => {
  const three = [10, 20, 300].map((at) => ({ at, height: 50 }));
  expect(placeCards(three, GAP, null, 40)).toEqual([40, 96, 300]);
  expect(placeCards(three, GAP, 2, 40)).toEqual([40, 96, 300]);
  expect(placeCards(three, GAP, 1, 40)).toEqual([-36, 20, 300]);
});

/**
 * The least squares that are possible, by the active set method of Goldfarb and Idnani (1983), as the library `quadprog` has it: another way, of other
 * people.
 */
function byQuadraticProgram(all: readonly Wanting[], chosen: number | null): number {
  const n = all.length;
  const square = () => Array.from({ length: n + 1 }, () => Array<number>(n + 1).fill(0));
  const d = square();
  for (let k = 1; k <= n; k++) d[k][k] = 1;
  const constraints: { row: number[]; least: number }[] = [];
  const row = (): number[] => Array<number>(n + 1).fill(0);
  if (chosen !== null) {
    const level = row();
    level[chosen + 1] = 1;
    constraints.push({ row: level, least: all[chosen].at });
  }
  for (let k = 1; k < n; k++) {
    const apart = row();
    [apart[k], apart[k + 1]] = [-1, 1];
    constraints.push({ row: apart, least: all[k - 1].height + GAP });
  }
  const a = Array.from({ length: n + 1 }, (_, i) => [0, ...constraints.map((c) => c.row[i])]);
  const b = [0, ...constraints.map(({ least }) => least)];
  const wanted = [0, ...all.map(({ at }) => at)];
  const { solution, message } = solveQP(d, wanted, a, b, chosen === null ? 0 : 1);
  if (message) throw new Error(message);
  return all.reduce((sum, { at }, k) => sum + (solution[k + 1] - at) ** 2, 0);
}

test('no way of standing is nearer to what is wanted, whichever is chosen', () => {
  fc.assert(
    fc.property(held, fc.boolean(), ([all, one], isHeld) => {
      const chosen = isHeld ? one : null;
      const tops = placeCards(all, GAP, chosen);
      const own = all.reduce((sum, { at }, k) => sum + (tops[k] - at) ** 2, 0);
      expect(own).toBeLessThanOrEqual(1.001 * byQuadraticProgram(all, chosen) + 1e-3);
    }),
    { numRuns: 40 },
  );
});

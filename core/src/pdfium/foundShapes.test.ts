import type { Vec } from '../geometry/index.ts';
import { FoundShapes, type Shape } from './foundShapes.ts';

const at = (x: number, y: number): Vec => ({ x, y });
const shape = (points: readonly Vec[], change: Partial<Shape> = {}): Shape => ({
  points,
  outline: points,
  curves: 0,
  isClosed: false,
  isFilled: false,
  isStroked: true,
  ...change,
});
const filled = { isFilled: true, isStroked: false, isClosed: true } as const;
const area = (x: number, y: number, wide: number, high: number): Vec[] => [
  at(x, y),
  at(x + wide, y),
  at(x + wide, y + high),
  at(x, y + high),
];
function found(...shapes: readonly Shape[]) {
  const all = new FoundShapes();
  for (const one of shapes) all.take(one);
  const { rules, edges, dots, squares, slants } = all.all();
  const lists = { rules, edges, dots, squares, slants };
  return Object.fromEntries(
    Object.entries(lists).map(([name, numbers]) => [name, [...numbers].map((n) => Math.round(n))]),
  ) as Record<keyof typeof lists, number[]>;
}

test('long lines are rules, short level and upright ones edges; areas as thin as lines are the same', () => {
  const drawn = found(
    shape([at(0, 10), at(100, 10)]),
    shape([at(0, 20), at(12, 20)]),
    shape(area(0, 30, 60, 1), filled),
    shape(area(0, 40, 1, 9), filled),
    shape(area(0, 60, 50, 40), filled),
  );
  expect(drawn.rules).toEqual([0, 10, 100, 10, 0, 31, 60, 31]);
  expect(drawn.edges).toEqual([0, 20, 12, 20, 1, 40, 1, 49]);
});

test('a frame gives its sides, and is a square to be ticked where it is small and even', () => {
  const drawn = found(shape(area(10, 10, 12, 12), { isClosed: true }));
  expect(drawn.squares).toEqual([10, 10, 22, 22]);
  expect(drawn.edges).toHaveLength(16);
  expect(found(shape(area(10, 10, 90, 12), { isClosed: true })).squares).toEqual([]);
});

test('dashes and small dots in a row are one rule, whichever way they run; others are none', () => {
  const dashes = (count: number, step: number, y = 50) =>
    Array.from({ length: count }, (_, k) => shape([at(k * step, y), at(k * step + 2, y)]));
  expect(found(...dashes(12, 4)).rules).toEqual([0, 50, 46, 50]);
  // Too far apart, too few, and not at one height.
  expect(found(...dashes(12, 20)).rules).toEqual([]);
  expect(found(...dashes(3, 4)).rules).toEqual([]);
  expect(found(...Array.from({ length: 12 }, (_, k) => dashes(1, 0, 50 + k)[0])).rules).toEqual([]);
  const dots = Array.from({ length: 80 }, (_, k) => shape(area(7, k, 0.2, 0.2), filled));
  expect(found(...dots).rules).toEqual([7, 0, 7, 79]);
  // Two rows, one after the other.
  expect(found(...dashes(12, 4), ...dashes(12, 4, 30)).rules).toEqual([
    0, 50, 46, 50, 0, 30, 46, 30,
  ]);
});

test('what figures are drawn with is kept as slants; a line that leads to a level one is none', () => {
  const zigzag = [at(0, 0), at(4, 8), at(8, 0), at(12, 8)];
  expect(found(shape(zigzag)).slants).toHaveLength(12);
  const leader = [at(0, 0), at(30, 40), at(90, 40)];
  expect(found(shape(leader)).slants).toEqual([]);
  expect(found(shape(leader)).rules).toEqual([0, 0, 30, 40, 30, 40, 90, 40]);
});

test('a flat wave is a rule', () => {
  const points = Array.from({ length: 25 }, (_, k) => at(2 * k, k % 2 === 0 ? 100 : 103));
  expect(found(shape(points, { curves: 24 })).rules).toEqual([0, 102, 48, 102]);
});

test('of a page with very many shapes no more is kept than figures could need', () => {
  const all = new FoundShapes();
  let taken = 0;
  for (; taken < 50_000 && !all.isFull; taken++) all.take(shape([at(0, taken), at(100, taken)]));
  expect(all.isFull).toBe(true);
  expect(taken).toBeLessThan(6_000);
});

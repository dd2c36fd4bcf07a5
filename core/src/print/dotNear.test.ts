import fc from 'fast-check';
import type { Vec } from '../geometry/index.ts';
import { dotNear, type PaperSample } from './dotNear.ts';

const SIZE = 60;
const SUB = 6;

/** A piece of paper on which whatever `isInk` says is printed, each pixel as dark as it is covered. */
function paper(isInk: (x: number, y: number) => boolean, pixelsPerPoint = 2): PaperSample {
  const brightness = Array.from({ length: SIZE * SIZE }, (_, i) => {
    let n = 0;
    for (let k = 0; k < SUB * SUB; k++) {
      const x = (i % SIZE) + ((k % SUB) + 0.5) / SUB;
      const y = Math.floor(i / SIZE) + (Math.floor(k / SUB) + 0.5) / SUB;
      if (isInk(x, y)) n++;
    }
    return 255 - (225 * n) / (SUB * SUB);
  });
  return { width: SIZE, height: SIZE, brightness, pixelsPerPoint };
}
const disc = (c: Vec, r: number) => (x: number, y: number) => Math.hypot(x - c.x, y - c.y) <= r;
const middle = { x: 30, y: 30 };

test('the middle of a printed dot is found to a tenth of a pixel, wherever and however large it is', () => {
  const place = fc.record({
    x: fc.double({ min: 22, max: 38, noNaN: true }),
    y: fc.double({ min: 22, max: 38, noNaN: true }),
  });
  fc.assert(
    fc.property(place, fc.double({ min: 2.1, max: 8, noNaN: true }), (c, r) => {
      const found = dotNear(paper(disc(c, r)), middle, 16);
      expect(found).not.toBeNull();
      expect(Math.hypot((found?.x ?? 0) - c.x, (found?.y ?? 0) - c.y)).toBeLessThan(0.1);
    }),
    { numRuns: 40 },
  );
});

test('of two dots the nearer; none beyond reach', () => {
  const two = paper((x, y) => disc({ x: 22, y: 30 }, 3)(x, y) || disc({ x: 45, y: 30 }, 3)(x, y));
  expect(dotNear(two, middle, 20)?.x).toBeCloseTo(22, 0);
  expect(dotNear(two, { x: 40, y: 30 }, 20)?.x).toBeCloseTo(45, 0);
  expect(dotNear(two, middle, 6)).toBeNull();
});

test.each<[string, (x: number, y: number) => boolean]>([
  ['nothing', () => false],
  ['a full stop', disc(middle, 1)],
  ['a ring', (x, y) => disc(middle, 7)(x, y) && !disc(middle, 4.5)(x, y)],
  ['a dash', (x, y) => Math.abs(x - 30) < 8 && Math.abs(y - 30) < 2],
  [
    'an angle',
    (x, y) => (x > 26 && x < 29 && y > 24 && y < 36) || (y > 33 && y < 36 && x > 26 && x < 37),
  ],
  [
    'a cross',
    (x, y) =>
      (Math.abs(x - 30) < 1.3 && Math.abs(y - 30) < 6) ||
      (Math.abs(y - 30) < 1.3 && Math.abs(x - 30) < 6),
  ],
  ['a line that goes on', (x) => Math.abs(x - 30) < 2],
  ['a large disc', disc(middle, 12)],
])('%s is no dot', (_, isInk) => {
  expect(dotNear(paper(isInk), middle, 20)).toBeNull();
});

test('a square bullet is a dot, and dark paper with faint print has none', () => {
  expect(
    dotNear(
      paper((x, y) => Math.abs(x - 30) < 3 && Math.abs(y - 31) < 3),
      middle,
      20,
    ),
  ).not.toBeNull();
  const { brightness, ...rest } = paper(disc(middle, 4));
  const faint = Array.from(brightness, (b) => 100 + b / 10);
  expect(dotNear({ ...rest, brightness: faint }, middle, 20)).toBeNull();
});

import { alongCorners, ellipsePath, wavePath, writeAlong } from '../../testing/hand.ts';
import { readHand } from './readHand.ts';

const zigzag = [0, 1, 2, 3].map((i) => ({ x: 60 + 34 * i, y: i % 2 === 0 ? 300 : 352 }));

test('a steady hand has no tremor, a trembling one has', () => {
  const path = wavePath({ x: 60, y: 300 }, 260, 18, 2.5);
  for (const rate of [60, 120, 240])
    for (const seed of [1, 2, 3]) {
      expect(readHand(writeAlong(path, { rate, seed })).tremor).toBe(0);
      const trembling = writeAlong(path, { rate, seed, tremor: 0.5, tremorHz: 8 + seed });
      expect(readHand(trembling).tremor).toBeGreaterThan(0);
    }
});

test('sharp turns are found where they are, and a circle has none', () => {
  for (const rate of [60, 120, 240]) {
    const ink = writeAlong(alongCorners(zigzag), { rate, seed: 5 });
    const { turns } = readHand(ink);
    for (const corner of zigzag.slice(1, -1))
      expect(
        Math.min(...turns.map((i) => Math.hypot(ink[i].x - corner.x, ink[i].y - corner.y))),
      ).toBeLessThan(4);
    const round = writeAlong(ellipsePath({ x: 200, y: 300 }, 45, 45), { rate, seed: 5 });
    expect(readHand(round).turns).toEqual([]);
  }
});

test('small brisk writing is not taken for a tremor', () => {
  // Eleven strokes a second, five points high: quicker than any tremor swings so far.
  const path = wavePath({ x: 60, y: 300 }, 160, 5, 9);
  const brisk = writeAlong(path, { rate: 240, noise: 0.05, seed: 3, speed: 420 });
  expect(readHand(brisk).tremor).toBe(0);
});

test('reports stamped by a coarse clock are put back on an even beat', () => {
  const even = writeAlong(ellipsePath({ x: 200, y: 300 }, 60, 40, 0, 2), {
    rate: 104,
    speed: 900,
    noise: 0.02,
  });
  const coarse = even.map((s) => ({ ...s, t: Math.floor(s.t / 8) * 8 }));
  expect(readHand(coarse).evenClock).toBe(true);
});

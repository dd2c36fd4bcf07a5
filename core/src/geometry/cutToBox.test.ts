import fc from 'fast-check';
import { box } from './box.ts';
import { cutToBox } from './cutToBox.ts';
import type { Vec } from './vec.ts';

const areaOf = (corners: readonly Vec[]): number =>
  corners.reduce((sum, a, k) => {
    const b = corners[(k + 1) % corners.length];
    return sum + (a.x * b.y - b.x * a.y) / 2;
  }, 0);

const window = box(2, 3, 8, 7);

test('what lies within stays, what lies outside goes, and what sticks out is cut off', () => {
  const rect = (minX: number, minY: number, maxX: number, maxY: number): Vec[] => [
    { x: minX, y: minY },
    { x: maxX, y: minY },
    { x: maxX, y: maxY },
    { x: minX, y: maxY },
  ];
  expect(cutToBox(rect(3, 4, 5, 6), window)).toEqual(rect(3, 4, 5, 6));
  expect(cutToBox(rect(9, 4, 10, 6), window)).toEqual([]);
  expect(areaOf(cutToBox(rect(4, 0, 6, 20), window))).toBeCloseTo(2 * 4);
  expect(areaOf(cutToBox(rect(-5, -5, 50, 50), window))).toBeCloseTo(6 * 4);
});

test('of any triangle as much is left as lies within', () => {
  const point = fc.record({
    x: fc.integer({ min: -5, max: 15 }),
    y: fc.integer({ min: -5, max: 15 }),
  });
  fc.assert(
    fc.property(fc.tuple(point, point, point), (triangle) => {
      const cut = cutToBox(triangle, window);
      for (const { x, y } of cut) {
        expect(x).toBeGreaterThanOrEqual(window.minX - 1e-9);
        expect(x).toBeLessThanOrEqual(window.maxX + 1e-9);
        expect(y).toBeGreaterThanOrEqual(window.minY - 1e-9);
        expect(y).toBeLessThanOrEqual(window.maxY + 1e-9);
      }
      // By strips: how wide the triangle is within the window at each height.
      const steps = 400;
      let sum = 0;
      for (let k = 0; k < steps; k++) {
        const y = window.minY + ((k + 0.5) / steps) * (window.maxY - window.minY);
        const xs = triangle.flatMap((a, i) => {
          const b = triangle[(i + 1) % 3];
          return a.y < y === b.y < y ? [] : [a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)];
        });
        if (xs.length < 2) continue;
        const [left, right] = [Math.min(...xs), Math.max(...xs)];
        const wide = Math.min(right, window.maxX) - Math.max(left, window.minX);
        sum += (Math.max(0, wide) * (window.maxY - window.minY)) / steps;
      }
      expect(Math.abs(Math.abs(areaOf(cut)) - sum)).toBeLessThan(0.2);
    }),
  );
});

import { pathRings } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { alongCorners, wavePath, writeAlong } from '../../testing/hand.ts';
import { boxHeight, boxWidth, pathBounds } from '../geometry/index.ts';
import { centrelineOf } from './centreline.ts';
import { inkRadius, type Nib, radiusAt } from './nib.ts';
import { outlineInk } from './outline.ts';
import type { InkSample } from './sample.ts';
import { straightLine } from './straight.ts';

const at = (x: number, y: number, pressure = 0.5): InkSample => ({ x, y, t: x, pressure });
const level = [at(0, 0), at(20, 0), at(40, 0)];

test('a response below 1 gives a light hand more ink, above 1 less, and never changes the ends of the scale', () => {
  const nib = (response: number): Nib => ({ width: 2, thinning: 0.8, response });
  expect(inkRadius(nib(0.5), 0.3)).toBeGreaterThan(inkRadius(nib(1), 0.3));
  expect(inkRadius(nib(2), 0.3)).toBeLessThan(inkRadius(nib(1), 0.3));
  for (const response of [0.3, 1, 3]) {
    expect(inkRadius(nib(response), 1)).toBeCloseTo(1.8);
    expect(inkRadius(nib(response), 0)).toBeCloseTo(0.2);
  }
});

test('a pen held flat widens a pencil’s line, upright it does not', () => {
  const pencil: Nib = { width: 1, tiltWidening: 1 };
  const held = (tiltX: number): number => radiusAt(pencil, { ...at(0, 0), tiltX, tiltY: 0 });
  expect(held(0)).toBeCloseTo(0.5);
  expect(held(60)).toBeGreaterThan(held(30));
  expect(held(90)).toBeCloseTo(1.5);
  expect(radiusAt(pencil, at(0, 0))).toBe(0.5);
});

test('a level stroke of an edge is as thick as the edge is long across it', () => {
  const upright: Nib = { width: 4, edge: { angle: Math.PI / 2, flatness: 0.2 } };
  const flat: Nib = { width: 4, edge: { angle: 0, flatness: 0.2 } };
  expect(boxHeight(pathBounds(outlineInk(level, upright)))).toBeCloseTo(4, 1);
  expect(boxWidth(pathBounds(outlineInk(level, upright)))).toBeCloseTo(40.8, 1);
  expect(boxHeight(pathBounds(outlineInk(level, flat)))).toBeCloseTo(0.8, 1);
  expect(boxWidth(pathBounds(outlineInk(level, flat)))).toBeCloseTo(44, 1);
});

test('no corner of an edge’s outline lies farther from the line than half the edge', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: Math.PI, noNaN: true }),
      fc.double({ min: 0.1, max: 1, noNaN: true }),
      fc.integer({ min: 1, max: 50 }),
      (angle, flatness, seed) => {
        const line = centrelineOf(writeAlong(wavePath({ x: 50, y: 50 }, 60, 9, 2), { seed }));
        const path = outlineInk(line, { width: 3, edge: { angle, flatness } });
        for (const ring of pathRings(path))
          for (let i = 0; i < ring.length; i += 2) {
            const near = Math.min(...line.map((p) => Math.hypot(p.x - ring[i], p.y - ring[i + 1])));
            expect(near).toBeLessThan(1.5 + 0.05);
          }
      },
    ),
    { numRuns: 25 },
  );
});

test('tapered ends run to a point, and a piece in the middle of a stroke has none', () => {
  const nib: Nib = { width: 2, taper: 4 };
  const line = alongCorners([
    { x: 0, y: 0 },
    { x: 60, y: 0 },
  ]).map((p) => at(p.x, p.y));
  const height = (path: ReturnType<typeof outlineInk>, from: number, to: number): number =>
    Math.max(
      ...pathRings(path).flatMap((ring) =>
        [...ring].flatMap((x, i) => (i % 2 === 0 && x >= from && x <= to ? [ring[i + 1]] : [])),
      ),
    );
  const whole = outlineInk(line, nib);
  expect(height(whole, -1, 0.3)).toBeLessThan(0.5);
  expect(height(whole, 20, 40)).toBeCloseTo(1, 1);
  expect(height(whole, 59.7, 61)).toBeLessThan(0.5);
  const piece = outlineInk(line, nib, { before: 100, after: Infinity });
  expect(height(piece, -1, 0.3)).toBeGreaterThan(0.9);
});

test('a straight line goes from the first to the last sample, level when it nearly is, with even pressure', () => {
  const wobbling = writeAlong(wavePath({ x: 50, y: 300 }, 200, 4, 3), { noise: 0 });
  const [from, to] = straightLine(wobbling);
  expect(from).toMatchObject({ x: 50, y: 300, pressure: 0.5 });
  expect(to).toMatchObject({ y: 300, pressure: 0.5 });
  expect(to.x).toBeCloseTo(250, 6);
  expect(straightLine([at(0, 0), at(10, 10, 0.9)])[1]).toMatchObject({ x: 10, y: 10 });
  expect(straightLine([at(3, 4)])).toHaveLength(1);
  expect(straightLine([])).toEqual([]);
});

test('the paper’s grain roughens a dry point, the same at the same place, and never widens it', () => {
  const at = (x: number): InkSample => ({ x, y: 40.3, t: 0, pressure: 0.5 });
  const plain = { width: 2 };
  const dry = { width: 2, grain: 0.5 };
  const radii = Array.from({ length: 200 }, (_, i) => radiusAt(dry, at(i * 0.7)));
  expect(radii.map((_, i) => radiusAt(dry, at(i * 0.7)))).toEqual(radii);
  expect(Math.max(...radii)).toBeLessThanOrEqual(radiusAt(plain, at(0)));
  expect(Math.min(...radii)).toBeGreaterThanOrEqual(0.5);
  const mean = radii.reduce((a, b) => a + b, 0) / radii.length;
  // Its hollows are half of it on the mean, and it is not the same everywhere.
  expect(mean).toBeCloseTo(0.75, 1);
  expect(
    Math.sqrt(radii.reduce((sum, r) => sum + (r - mean) ** 2, 0) / radii.length),
  ).toBeGreaterThan(0.05);
});

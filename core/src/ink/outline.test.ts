import { distanceToPolyline, pathRings } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { stroke } from '../../testing/arbitraries.ts';
import { type Path } from '../geometry/index.ts';
import { centrelineOf } from './centreline.ts';
import { type Nib, inkRadius } from './nib.ts';
import { outlineInk } from './outline.ts';
import type { InkSample } from './sample.ts';

const nib: fc.Arbitrary<Nib> = fc.record({
  width: fc.double({ min: 0.4, max: 14, noNaN: true }),
  thinning: fc.double({ min: 0, max: 1, noNaN: true }),
});

/** How often the rings wind round a point (Sunday 2001; from memory). */
function winding(path: Path, x: number, y: number): number {
  let n = 0;
  for (const ring of pathRings(path))
    for (let i = 0; i < ring.length; i += 2) {
      const j = (i + 2) % ring.length;
      const [x0, y0, x1, y1] = [ring[i], ring[i + 1], ring[j], ring[j + 1]];
      const side = (x1 - x0) * (y - y0) - (x - x0) * (y1 - y0);
      if (y0 <= y && y1 > y && side > 0) n++;
      else if (y0 > y && y1 <= y && side < 0) n--;
    }
  return n;
}

test('no corner of the outline is farther from the centreline than half the ink’s width', () => {
  fc.assert(
    fc.property(stroke(), nib, (samples, n) => {
      const line = centrelineOf(samples);
      const widest = Math.max(...line.map((s) => inkRadius(n, s.pressure)));
      for (const ring of pathRings(outlineInk(line, n)))
        for (let i = 0; i < ring.length; i += 2)
          expect(distanceToPolyline({ x: ring[i], y: ring[i + 1] }, line)).toBeLessThanOrEqual(
            widest + 0.02,
          );
    }),
  );
});

test('the fill has no holes: every place on the centreline is inside', () => {
  fc.assert(
    fc.property(stroke(), nib, (samples, n) => {
      const line = centrelineOf(samples);
      const path = outlineInk(line, n);
      for (const s of line.slice(1, -1))
        if (inkRadius(n, s.pressure) > 0.05)
          expect(winding(path, s.x + 1e-4, s.y + 1e-4)).toBeGreaterThan(0);
    }),
  );
});

test('a point is a dot, nothing is nothing', () => {
  const dot: InkSample = { x: 10, y: 20, t: 0, pressure: 0.5 };
  const path = outlineInk([dot], { width: 2, thinning: 0 });
  const [ring] = pathRings(path);
  for (let i = 0; i < ring.length; i += 2)
    expect(Math.hypot(ring[i] - 10, ring[i + 1] - 20)).toBeCloseTo(1, 1);
  expect(winding(path, 10.001, 20.001)).toBe(1);
  expect(outlineInk([], { width: 2, thinning: 0 }).verbs).toHaveLength(0);
});

test('every coordinate stands on the hundredth of a point that PDF and screen share', () => {
  fc.assert(
    fc.property(stroke(30), nib, (samples, n) => {
      for (const c of outlineInk(centrelineOf(samples), n).coords)
        expect(Math.abs(c * 100 - Math.round(c * 100))).toBeLessThan(1e-6);
    }),
  );
});

test('pressure widens, never below a tenth of the nib', () => {
  const n: Nib = { width: 2, thinning: 1 };
  expect(inkRadius(n, 0.5)).toBe(1);
  expect(inkRadius(n, 1)).toBe(2);
  expect(inkRadius(n, 0)).toBeCloseTo(0.1);
  expect(inkRadius({ width: 2, thinning: 0 }, 0.01)).toBe(1);
  expect(inkRadius(n, 7)).toBe(2);
});

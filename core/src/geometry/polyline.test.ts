import { distanceToPolyline } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { vec } from '../../testing/arbitraries.ts';
import {
  nearestOnSegment,
  polylineLength,
  resamplePolyline,
  segmentDistance,
  simplifiedIndices,
} from './polyline.ts';
import { distance, lerp, type Vec } from './vec.ts';

const line = fc.array(vec, { minLength: 2, maxLength: 40 });

test('no point of a segment is nearer than the nearest', () => {
  fc.assert(
    fc.property(vec, vec, vec, (p, a, b) => {
      const { distance: d, t } = nearestOnSegment(p, a, b);
      expect(distance(p, lerp(a, b, t))).toBeCloseTo(d, 5);
      for (let k = 0; k <= 20; k++)
        expect(distance(p, lerp(a, b, k / 20))).toBeGreaterThanOrEqual(d - 1e-6);
    }),
  );
});

test('segments that cross are no distance apart; others as far as their nearest points', () => {
  expect(segmentDistance({ x: 0, y: 0 }, { x: 2, y: 2 }, { x: 0, y: 2 }, { x: 2, y: 0 })).toBe(0);
  fc.assert(
    fc.property(vec, vec, vec, vec, (a, b, c, d) => {
      const told = segmentDistance(a, b, c, d);
      let sampled = Infinity;
      for (let k = 0; k <= 60; k++)
        sampled = Math.min(sampled, nearestOnSegment(lerp(a, b, k / 60), c, d).distance);
      expect(told).toBeLessThanOrEqual(sampled + 1e-6);
      expect(told).toBeGreaterThanOrEqual(sampled - distance(a, b) / 60 - 1e-6);
    }),
  );
});

test('simplifying drops nothing that lies farther than the tolerance', () => {
  fc.assert(
    fc.property(line, fc.double({ min: 0.5, max: 300, noNaN: true }), (points, tolerance) => {
      const off = (i: number, a: number, b: number) =>
        nearestOnSegment(points[i], points[a], points[b]).distance;
      const keep = simplifiedIndices(points.length, tolerance, off);
      expect(keep[0]).toBe(0);
      expect(keep.at(-1)).toBe(points.length - 1);
      const kept = keep.map((i) => points[i]);
      for (const p of points)
        expect(distanceToPolyline(p, kept)).toBeLessThanOrEqual(tolerance + 1e-6);
    }),
  );
});

test('resampling keeps ends and spaces points evenly along the way', () => {
  fc.assert(
    fc.property(line, fc.integer({ min: 2, max: 64 }), (points, count) => {
      const out = resamplePolyline(points, count);
      expect(out).toHaveLength(count);
      expect(out[0]).toEqual(points[0]);
      expect(out.at(-1)).toEqual(points.at(-1));
      const step = polylineLength(points) / (count - 1);
      for (let i = 1; i < count; i++)
        expect(distance(out[i - 1], out[i])).toBeLessThanOrEqual(step * (1 + 1e-6) + 1e-6);
    }),
  );
});

test('a point resampled stays the point; nonsense is refused', () => {
  const p: Vec = { x: 3, y: 4 };
  expect(resamplePolyline([p], 3)).toEqual([p, p, p]);
  expect(() => resamplePolyline([], 3)).toThrow(RangeError);
  expect(() => resamplePolyline([p], 1)).toThrow(RangeError);
  expect(distanceToPolyline(p, [])).toBe(Infinity);
  expect(distanceToPolyline(p, [{ x: 0, y: 0 }])).toBe(5);
});

import fc from 'fast-check';
import { cubicInto, partsOfPath, polylinesOf } from './flatten.ts';
import { boxPath, framePath, joinPaths, PathBuilder } from './path.ts';
import { nearestOnSegment } from './polyline.ts';
import { lerp, type Vec } from './vec.ts';

const point = fc.record({
  x: fc.double({ min: -100, max: 100, noNaN: true }),
  y: fc.double({ min: -100, max: 100, noNaN: true }),
});
const on = (a: Vec, b: Vec, c: Vec, d: Vec, t: number): Vec => {
  const [p, q, r] = [lerp(a, b, t), lerp(b, c, t), lerp(c, d, t)];
  return lerp(lerp(p, q, t), lerp(q, r, t), t);
};

test('chords of a curve begin and end with it, and lie no farther off than asked', () => {
  fc.assert(
    fc.property(point, point, point, point, (a, b, c, d) => {
      const line = [a];
      cubicInto(line, b, c, d, 0.05);
      expect(line[line.length - 1].x).toBeCloseTo(d.x);
      for (let k = 0; k <= 200; k++) {
        const p = on(a, b, c, d, k / 200);
        const off = line
          .slice(1)
          .map((end, i) => nearestOnSegment(p, line[i], end).distance)
          .reduce((least, one) => Math.min(least, one));
        expect(off).toBeLessThanOrEqual(0.0501);
      }
    }),
    { numRuns: 40 },
  );
});

test('a closed line ends where it began', () => {
  const [line] = polylinesOf(boxPath({ minX: 0, minY: 0, maxX: 2, maxY: 1 }), 0.1);
  expect(line).toHaveLength(5);
  expect(line[4]).toEqual(line[0]);
});

test('the parts of a path make it up again', () => {
  const frame = framePath({ minX: 0, minY: 0, maxX: 20, maxY: 10 }, 2);
  expect(partsOfPath(frame)).toHaveLength(2);
  expect(joinPaths(partsOfPath(frame))).toEqual(frame);
  expect(partsOfPath(new PathBuilder().build())).toEqual([]);
});

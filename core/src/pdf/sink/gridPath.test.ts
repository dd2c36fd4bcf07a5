import fc from 'fast-check';
import { nearestOnSegment, PathBuilder, VERB } from '../../geometry/index.ts';
import { wavePath, writeAlong } from '../../../testing/hand.ts';
import { PEN } from '../../../testing/marks.ts';
import { outlineInk } from '../../ink/index.ts';
import { cornerOf, toGridPath } from './gridPath.ts';

const polyline = (points: readonly (readonly [number, number])[]) => {
  const path = new PathBuilder();
  points.forEach(([x, y], i) => (i === 0 ? path.moveTo(x, y) : path.lineTo(x, y)));
  path.closePath();
  return path.build();
};

test('every point left out lies within two hundredths of the line that is drawn', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 500 }), (seed) => {
      const nib = { ...PEN.nib, width: 1.5 };
      const samples = writeAlong(wavePath({ x: 80, y: 300 }, 60, 5, 3), { seed });
      const { verbs, coords } = outlineInk(samples, nib);
      const thin = toGridPath({ verbs, coords });
      expect(thin.coords.length).toBeLessThan(coords.length);
      const line: { x: number; y: number }[] = [];
      for (let i = 0; i < thin.coords.length; i += 2)
        line.push({ x: thin.coords[i], y: thin.coords[i + 1] });
      for (let i = 0; i < coords.length; i += 2) {
        const p = { x: Math.round(100 * coords[i]), y: Math.round(100 * coords[i + 1]) };
        const near = Math.min(
          ...line.map((q, k) => nearestOnSegment(p, q, line[(k + 1) % line.length]).distance),
        );
        expect(near).toBeLessThanOrEqual(2.001);
      }
    }),
    { numRuns: 20 },
  );
});

test('corners, turns back and curves stay', () => {
  const corner = toGridPath(
    polyline([
      [0, 0],
      [1, 0],
      [2, 0],
      [2, 1],
      [2, 2],
    ]),
  );
  expect(corner.coords).toEqual([0, 0, 200, 0, 200, 200]);
  const back = toGridPath(
    polyline([
      [0, 0],
      [2, 0],
      [1, 0],
    ]),
  );
  expect(back.coords).toEqual([0, 0, 200, 0, 100, 0]);
  const path = new PathBuilder();
  path.moveTo(0, 0);
  path.bezierCurveTo(1, 0, 2, 0, 3, 0);
  path.lineTo(4, 0);
  path.lineTo(5, 0);
  const curved = toGridPath(path.build());
  expect(curved.verbs).toEqual([VERB.M, VERB.C, VERB.L]);
  expect(curved.coords).toEqual([0, 0, 100, 0, 200, 0, 300, 0, 500, 0]);
  expect(
    cornerOf(
      toGridPath(
        polyline([
          [3, 7],
          [1, 9],
          [2, 5],
        ]),
      ),
    ),
  ).toEqual({ x: 100, y: 500 });
});

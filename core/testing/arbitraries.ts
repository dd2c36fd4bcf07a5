import fc from 'fast-check';
import type { Box, Matrix, PageBox, Vec } from '../src/geometry/index.ts';
import { type InkSample, packSamples, PLAIN_NIB, readHand } from '../src/ink/index.ts';
import type { Mark } from '../src/kinds/index.ts';

/** Random values of the core's own kinds, for property tests. */

/** Storage knows no negative zero. */
export const coordinate = fc.double({ min: -2000, max: 2000, noNaN: true }).map((n) => n + 0);
export const vec: fc.Arbitrary<Vec> = fc.record({ x: coordinate, y: coordinate });
export const box: fc.Arbitrary<Box> = fc
  .tuple(
    vec,
    fc.double({ min: 1, max: 900, noNaN: true }),
    fc.double({ min: 1, max: 900, noNaN: true }),
  )
  .map(([p, w, h]) => ({ minX: p.x, minY: p.y, maxX: p.x + w, maxY: p.y + h }));

export const invertibleMatrix: fc.Arbitrary<Matrix> = fc
  .tuple(
    fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
    fc.double({ min: 0.2, max: 5, noNaN: true }),
    fc.double({ min: 0.2, max: 5, noNaN: true }),
    vec,
  )
  .map(([a, sx, sy, p]) => [
    sx * Math.cos(a),
    sx * Math.sin(a),
    -sy * Math.sin(a),
    sy * Math.cos(a),
    p.x,
    p.y,
  ]);

export const pageBox: fc.Arbitrary<PageBox> = fc.record({
  box,
  rotate: fc.constantFrom(0, 90, 180, 270),
  userUnit: fc.constantFrom(1, 1, 2, 0.5),
}) as fc.Arbitrary<PageBox>;

export const sample: fc.Arbitrary<InkSample> = fc.record(
  {
    x: coordinate,
    y: coordinate,
    t: fc.double({ min: 0, max: 100_000, noNaN: true }),
    pressure: fc.double({ min: 0, max: 1, noNaN: true }),
    tiltX: fc.integer({ min: -90, max: 90 }),
    tiltY: fc.integer({ min: -90, max: 90 }),
  },
  { requiredKeys: ['x', 'y', 't', 'pressure'] },
);

/** A wandering stroke: steps of a few points, 4–20 ms apart. */
export const stroke = (most = 80): fc.Arbitrary<InkSample[]> =>
  fc
    .array(
      fc.tuple(
        fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
        fc.double({ min: 0, max: 9, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 4, max: 20 }),
      ),
      { minLength: 1, maxLength: most },
    )
    .map((steps) => {
      let x = 300;
      let y = 400;
      let t = 0;
      let heading = 0;
      return steps.map(([turn, length, pressure, dt]) => {
        heading += turn * 0.4;
        x += length * Math.cos(heading);
        y += length * Math.sin(heading);
        t += dt;
        return { x, y, t, pressure };
      });
    });

const style = fc.record({
  colour: fc.constantFrom('#1f3361', '#c22f17', '#ffd91f'),
  width: fc.double({ min: 0.3, max: 15, noNaN: true }),
  opacity: fc.double({ min: 0.1, max: 1, noNaN: true }),
});

/** An ink mark on one of a few pages. */
export const inkMark: fc.Arbitrary<Mark> = fc
  .record({
    id: fc.uuid(),
    page: fc.constantFrom('p1', 'p2', 'p3'),
    order: fc.integer({ min: 1, max: 1000 }),
    style,
    madeAt: fc.integer({ min: 0, max: 2_000_000_000_000 }),
    tool: fc.constantFrom('pen' as const, 'highlighter' as const),
    samples: stroke(12),
    steadiness: fc.integer({ min: 0, max: 100 }),
  })
  .map(({ samples, steadiness, ...rest }) => ({
    kind: 'ink' as const,
    ...rest,
    ink: {
      samples: packSamples(
        samples.map((s) => ({
          x: Math.round(s.x * 100) / 100,
          y: Math.round(s.y * 100) / 100,
          t: s.t - samples[0].t,
          pressure: Math.round(s.pressure * 1023) / 1023,
        })),
      ),
      steadiness,
      nib: { ...PLAIN_NIB, thinning: 0.5 },
      straight: false,
      ...(samples.length % 2 === 0
        ? { engine: 1 as const, hand: null }
        : { engine: 2 as const, hand: readHand(samples) }),
    },
  }));

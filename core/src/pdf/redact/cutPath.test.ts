import fc from 'fast-check';
import { type Convex, convexArea, isWithin, narrower, type Vec } from '../../geometry/index.ts';
import { fillOutside, type Segment, strokeOutside, type Subpath } from './cutPath.ts';

/** Areas are convex and not too thin; places are whole numbers, so that paths run along borders and through corners, too. */
const place = fc.record({
  x: fc.integer({ min: -20, max: 20 }),
  y: fc.integer({ min: -20, max: 20 }),
});
const anyArea = fc
  .tuple(
    place,
    fc.integer({ min: 2, max: 15 }),
    fc.integer({ min: 2, max: 15 }),
    fc.integer({ min: 0, max: 30 }),
  )
  .map(([at, wide, high, turn]): Convex => {
    const [c, s] = [Math.cos(turn / 10), Math.sin(turn / 10)];
    const corners = [
      [0, 0],
      [wide, 0],
      [wide, high],
      [0, high],
    ].map(([x, y]) => ({ x: at.x + c * x - s * y, y: at.y + s * x + c * y }));
    return convexArea(corners) as Convex;
  });

/** A way from place to place, straight or curved. */
const anySubpath = fc
  .tuple(
    place,
    fc.array(fc.oneof(fc.tuple(place), fc.tuple(place, place, place)), {
      minLength: 1,
      maxLength: 8,
    }),
    fc.boolean(),
  )
  .map(([start, steps, isClosed]): Subpath => {
    const segments: Segment[] = [];
    let at = start;
    for (const step of steps) {
      segments.push([at, ...step]);
      at = step[step.length - 1];
    }
    return { segments, isClosed };
  });
const anyPath = fc.array(anySubpath, { minLength: 1, maxLength: 3 });

const STEPS = 150;
function pointAt(segment: Segment, t: number): Vec {
  let row = [...segment];
  while (row.length > 1)
    row = row
      .slice(1)
      .map((p, k) => ({ x: row[k].x + (p.x - row[k].x) * t, y: row[k].y + (p.y - row[k].y) * t }));
  return row[0];
}

const along = ({ segments }: Subpath): Vec[] =>
  segments
    .flatMap((segment) => Array.from({ length: STEPS }, (_, k) => pointAt(segment, k / STEPS)))
    .concat(segments.at(-1)?.at(-1) ?? []);

/** How often a path winds around a place; null where it runs too near to be told. */
function winding(path: readonly Subpath[], p: Vec): number | null {
  let sum = 0;
  for (const one of path) {
    const points = along(one);
    for (let k = 0; k < points.length; k++) {
      const [a, b] = [points[k], points[(k + 1) % points.length]];
      const [u, v] = [
        { x: a.x - p.x, y: a.y - p.y },
        { x: b.x - p.x, y: b.y - p.y },
      ];
      if (Math.hypot(u.x, u.y) < 0.4) return null;
      sum += Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y);
    }
  }
  return Math.round(sum / (2 * Math.PI)) + 0;
}

test('outside an area a fill is as it was, and nothing of its line lies within', () => {
  fc.assert(
    fc.property(
      anyPath,
      anyArea,
      fc.array(place, { minLength: 10, maxLength: 10 }),
      (path, area, places) => {
        const left = fillOutside(path, area);
        if (!left) return;
        for (const at of places) {
          const p = { x: at.x + 0.37, y: at.y + 0.41 };
          const before = winding(path, p);
          const after = winding(left, p);
          if (isWithin(area, p) || before === null || after === null) continue;
          expect(after).toBe(before);
        }
        // Within all is filled, or nothing.
        const [{ x, y }] = area.corners;
        const middle = {
          x: area.corners.reduce((sum, p) => sum + p.x, 0) / 4,
          y: area.corners.reduce((sum, p) => sum + p.y, 0) / 4,
        };
        const within = [0.25, 0.5, 0.75].map((t) =>
          winding(left, { x: x + (middle.x - x) * 2 * t, y: y + (middle.y - y) * 2 * t }),
        );
        const told = within.filter((one) => one !== null);
        expect(new Set(told).size).toBeLessThanOrEqual(1);
        // Corners that were within would tell what lay there; where the area is entered and left they may be.
        const inner = narrower(area, 1e-6);
        for (const { segments } of left)
          for (const segment of segments)
            for (const end of [segment[0], segment[segment.length - 1]])
              expect(isWithin(inner, end)).toBe(false);
      },
    ),
    { numRuns: 100 },
  );
});

test('of a line nothing is left within an area, and all of it outside', () => {
  fc.assert(
    fc.property(anyPath, anyArea, (path, area) => {
      const left = strokeOutside(path, area) ?? path;
      const inner = narrower(area, 1e-3);
      const points = left.flatMap(along);
      for (const p of points) expect(isWithin(inner, p)).toBe(false);
      for (const one of path)
        for (const p of along(one).filter((_, k) => k % 25 === 0)) {
          if (isWithin(narrower(area, -1e-6), p)) continue;
          const near = Math.min(...points.map((q) => Math.hypot(p.x - q.x, p.y - q.y)));
          expect(near).toBeLessThan(0.3);
        }
    }),
    { numRuns: 20 },
  );
});

test('what does not enter an area is not written otherwise', () => {
  const area = convexArea([
    { x: 0, y: 0 },
    { x: 10, y: 0 },
    { x: 10, y: 10 },
    { x: 0, y: 10 },
  ]) as Convex;
  const beside: Subpath = {
    segments: [
      [
        { x: -5, y: 10 },
        { x: 15, y: 10 },
      ],
      [
        { x: 15, y: 10 },
        { x: 15, y: 30 },
      ],
    ],
    isClosed: false,
  };
  expect(fillOutside([beside], area)).toBeNull();
  expect(strokeOutside([beside], area)).toBeNull();
  // A ground that goes all the way around hides nothing.
  const ground: Subpath = {
    segments: [
      [
        { x: -50, y: -50 },
        { x: 50, y: -50 },
      ],
      [
        { x: 50, y: -50 },
        { x: 50, y: 50 },
      ],
      [
        { x: 50, y: 50 },
        { x: -50, y: 50 },
      ],
    ],
    isClosed: true,
  };
  expect(fillOutside([ground], area)).toBeNull();
});

test('dashes go on behind an area as they would have', () => {
  const area = convexArea([
    { x: 10, y: -5 },
    { x: 20, y: -5 },
    { x: 20, y: 5 },
    { x: 10, y: 5 },
  ]) as Convex;
  const line: Subpath = {
    segments: [
      [
        { x: 0, y: 0 },
        { x: 50, y: 0 },
      ],
    ],
    isClosed: false,
  };
  expect(strokeOutside([line], area)?.map(({ before }) => before)).toEqual([0, 20]);
});

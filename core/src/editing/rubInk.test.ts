import { distanceToPolyline } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { ellipsePath, wavePath, writeAlong } from '../../testing/hand.ts';
import { nearestOnSegment, type Vec } from '../geometry/index.ts';
import type { InkSample } from '../ink/index.ts';
import { rubInk } from './rubInk.ts';

const WIDTH = 1.4;
const TOLERANCE = 1e-6;

const strokes = fc.nat(500).map((seed) => {
  const path =
    seed % 2 === 0
      ? wavePath({ x: 50, y: 80 }, 120, 5 + (seed % 30), 1 + (seed % 4))
      : ellipsePath({ x: 100, y: 90 }, 30 + (seed % 40), 25, seed, 0.4 + (seed % 9) / 5);
  return writeAlong(path, { seed: seed + 1, rate: 60 });
});
const place = fc.record({
  x: fc.double({ min: 20, max: 190, noNaN: true }),
  y: fc.double({ min: 30, max: 150, noNaN: true }),
});
const sweeps = fc.array(place, { minLength: 1, maxLength: 6 });
const radii = fc.double({ min: 1, max: 20, noNaN: true });

const fromSweep = (p: Vec, sweep: readonly Vec[]): number => distanceToPolyline(p, sweep);
/** Points all along a line. */
const along = (line: readonly Vec[]): Vec[] =>
  line.slice(1).flatMap((b, k) =>
    [0, 0.5, 1].map((u) => ({
      x: line[k].x + (b.x - line[k].x) * u,
      y: line[k].y + (b.y - line[k].y) * u,
    })),
  );
const isOn = (p: Vec, runs: readonly (readonly Vec[])[]): boolean =>
  runs.some((run) =>
    run.slice(1).some((b, k) => nearestOnSegment(p, run[k], b).distance < TOLERANCE),
  );

test('nothing is left under the sweep, and all that is farther away is left but for crumbs', () => {
  fc.assert(
    fc.property(strokes, sweeps, radii, (stroke, sweep, radius) => {
      const left = rubInk(stroke, 0, sweep, radius);
      const nearest = Math.min(Infinity, ...left.flatMap(along).map((p) => fromSweep(p, sweep)));
      expect(nearest).toBeGreaterThan(radius - TOLERANCE);
      const kept = stroke.filter((p) => fromSweep(p, sweep) > radius + TOLERANCE);
      expect(kept.filter((p) => !isOn(p, left))).toEqual([]);
    }),
    { numRuns: 60 },
  );
});

test('crumbs shorter than the ink is wide are swept up, and nothing else', () => {
  fc.assert(
    fc.property(strokes, sweeps, radii, (stroke, sweep, radius) => {
      // Ink reaches half its width to either side: a rubber so much larger cuts a bare line in the same places.
      const all = rubInk(stroke, 0, sweep, radius + WIDTH / 2);
      const left = rubInk(stroke, WIDTH, sweep, radius);
      const lengthOf = (run: readonly Vec[]): number =>
        run.slice(1).reduce((n, p, k) => n + Math.hypot(p.x - run[k].x, p.y - run[k].y), 0);
      const isUntouched = all.length === 1 && all[0].length === stroke.length;
      expect(left).toEqual(isUntouched ? all : all.filter((run) => lengthOf(run) >= WIDTH));
    }),
  );
});

test('rubbing the same place again takes nothing more', () => {
  fc.assert(
    fc.property(strokes, sweeps, radii, (stroke, sweep, radius) => {
      const left = rubInk(stroke, WIDTH, sweep, radius);
      const again = left.flatMap((run) => rubInk(run, WIDTH, sweep, radius - TOLERANCE));
      expect(again).toEqual(left);
    }),
  );
});

test('what is left keeps its samples, in order, with new ones only at the cuts', () => {
  const stroke = writeAlong(wavePath({ x: 0, y: 0 }, 100, 10, 2), { seed: 3 }).map(
    (s, i): InkSample => ({ ...s, tiltX: i % 30, tiltY: 10 }),
  );
  const left = rubInk(
    stroke,
    WIDTH,
    [
      { x: 50, y: -30 },
      { x: 50, y: 30 },
    ],
    6,
  );
  expect(left).toHaveLength(2);
  const own = new Set(stroke);
  for (const [k, run] of left.entries()) {
    const cut = k === 0 ? run[run.length - 1] : run[0];
    expect(run.filter((s) => !own.has(s))).toEqual([cut]);
    expect(cut.x).toBeCloseTo(k === 0 ? 44 - WIDTH / 2 : 56 + WIDTH / 2, 9);
    expect(cut.tiltX).toBeGreaterThanOrEqual(0);
    run.slice(1).forEach((s, i) => expect(s.t).toBeGreaterThanOrEqual(run[i].t));
  }
});

test('a dot goes whole; a stroke that is not touched, or swept by nothing, comes back as it is', () => {
  const dot: InkSample[] = [{ x: 5, y: 5, t: 0, pressure: 0.5 }];
  expect(rubInk(dot, 1, [{ x: 8, y: 5 }], 4)).toEqual([]);
  expect(rubInk(dot, 1, [{ x: 12, y: 5 }], 4)).toEqual([dot]);
  const stroke = writeAlong(wavePath({ x: 0, y: 0 }, 60, 5, 1));
  expect(rubInk(stroke, 1, [], 4)).toEqual([stroke]);
  expect(rubInk(stroke, 1, [{ x: 300, y: 300 }], 4)).toEqual([stroke]);
  expect(rubInk([], 1, [{ x: 0, y: 0 }], 4)).toEqual([]);
});

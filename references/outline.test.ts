import { pathRings } from '../core/testing/shapes';
import { ellipseInto, KAPPA, PathBuilder, VERB } from '@marginalis/core/geometry';
import { centrelineOf, type Nib, outlineInk } from '@marginalis/core/ink';
import { alongCorners, ellipsePath, wavePath, writeAlong } from '../core/testing/hand';
import { areaOfDiscs, filledArea } from './support/areas';

jest.setTimeout(60_000);

const zigzag = alongCorners([
  { x: 0, y: 0 },
  { x: 40, y: 8 },
  { x: 2, y: 16 },
  { x: 40, y: 24 },
  { x: 20, y: 60 },
]);
test.each([
  ['a wave', wavePath({ x: 0, y: 0 }, 120, 10, 3)],
  ['a loop that crosses itself', ellipsePath({ x: 0, y: 0 }, 30, 18, 0.3, 1.7)],
  ['a zigzag with sharp corners', zigzag],
  ['a tight curl, smaller than the nib', ellipsePath({ x: 0, y: 0 }, 1.2, 0.9, 0, 3)],
])('the outline of %s covers what discs and strips along it cover, within 0.5 %', (_what, path) => {
  for (const [seed, width] of [
    [1, 1.4],
    [3, 14],
  ]) {
    const nib: Nib = { width, thinning: 0.7 };
    const line = centrelineOf(writeAlong(path, { seed, rate: 60 }));
    const filled = filledArea(pathRings(outlineInk(line, nib)), 0.01);
    expect(Math.abs(filled / areaOfDiscs(line, nib) - 1)).toBeLessThan(0.005);
  }
});

test('a quarter circle by one cubic: κ = 0.5522847498, radius error 0 to 0.02725 % (Goldapp, CAGD 8, 1991; from memory)', () => {
  expect(KAPPA).toBeCloseTo(0.5522847498, 10);
  const builder = new PathBuilder();
  ellipseInto(builder, { x: 0, y: 0 }, 1, 1);
  const { verbs, coords } = builder.build();
  let at = 2;
  let [x0, y0] = [coords[0], coords[1]];
  let [least, most] = [Infinity, -Infinity];
  for (const verb of verbs) {
    if (verb !== VERB.C) continue;
    const [x1, y1, x2, y2, x3, y3] = coords.slice(at, at + 6);
    for (let k = 0; k <= 1000; k++) {
      const t = k / 1000;
      const u = 1 - t;
      const b = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
      const r = Math.hypot(
        b[0] * x0 + b[1] * x1 + b[2] * x2 + b[3] * x3,
        b[0] * y0 + b[1] * y1 + b[2] * y2 + b[3] * y3,
      );
      least = Math.min(least, r);
      most = Math.max(most, r);
    }
    [x0, y0] = [x3, y3];
    at += 6;
  }
  expect(least).toBeGreaterThanOrEqual(1 - 1e-12);
  expect(most - 1).toBeCloseTo(0.0002725, 6);
});

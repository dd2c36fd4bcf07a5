import { ellipseInto, KAPPA, pathRings, PathBuilder, VERB } from '@marginalis/core/geometry';
import {
  centrelineOf,
  inkRadius,
  type InkSample,
  type Nib,
  outlineInk,
} from '@marginalis/core/ink';
import polygonClipping, { type MultiPolygon, type Polygon, type Ring } from 'polygon-clipping';
import { alongCorners, ellipsePath, wavePath, writeAlong } from '../core/testing/hand';

jest.setTimeout(60_000);

const ringArea = (ring: Ring): number =>
  Math.abs(
    ring.reduce(
      (sum, [x, y], i) =>
        sum + x * ring[(i + 1) % ring.length][1] - ring[(i + 1) % ring.length][0] * y,
      0,
    ) / 2,
  );
const areaOf = (shape: MultiPolygon): number =>
  shape.reduce(
    (sum, [outer, ...holes]) => sum + ringArea(outer) - holes.reduce((h, r) => h + ringArea(r), 0),
    0,
  );

/** Whole numbers: the library loses its way where coordinates differ by rounding errors only. */
const PER_POINT = 1024;
const onGrid = (x: number, y: number): [number, number] => [
  Math.round(x * PER_POINT),
  Math.round(y * PER_POINT),
];
const CORNERS = 32;

/** Discs along the line and the strips between them, made into one shape by an independent library. */
function unionOfDiscs(line: readonly InkSample[], nib: Nib): MultiPolygon {
  const pieces: Polygon[] = [];
  // A polygon with the disc's area, so that many corners are not needed.
  const larger = Math.sqrt((2 * Math.PI) / (CORNERS * Math.sin((2 * Math.PI) / CORNERS)));
  for (const s of line) {
    const r = inkRadius(nib, s.pressure) * larger;
    const corner = (_: unknown, k: number): [number, number] => {
      const angle = (2 * Math.PI * k) / CORNERS;
      return onGrid(s.x + r * Math.cos(angle), s.y + r * Math.sin(angle));
    };
    pieces.push([Array.from({ length: CORNERS }, corner)]);
  }
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1], line[i]];
    const [ra, rb] = [inkRadius(nib, a.pressure), inkRadius(nib, b.pressure)];
    const d = Math.hypot(b.x - a.x, b.y - a.y);
    if (d <= Math.abs(ra - rb)) continue;
    const along = Math.atan2(b.y - a.y, b.x - a.x);
    const aside = Math.acos((ra - rb) / d);
    const at = (s: InkSample, r: number, angle: number): [number, number] =>
      onGrid(s.x + r * Math.cos(angle), s.y + r * Math.sin(angle));
    pieces.push([
      [
        at(a, ra, along - aside),
        at(b, rb, along - aside),
        at(b, rb, along + aside),
        at(a, ra, along + aside),
      ],
    ]);
  }
  return polygonClipping.union(pieces[0], ...pieces.slice(1));
}

/** The area a non-zero fill of the ring covers, by scan lines `step` points apart. */
function filledArea(ring: readonly number[], step: number): number {
  const ys = ring.filter((_, i) => i % 2 === 1);
  let sum = 0;
  for (let y = Math.min(...ys) + step / 2; y < Math.max(...ys); y += step) {
    const crossings: [x: number, turn: number][] = [];
    for (let i = 0; i < ring.length; i += 2) {
      const j = (i + 2) % ring.length;
      const [x0, y0, x1, y1] = [ring[i], ring[i + 1], ring[j], ring[j + 1]];
      if (y0 <= y !== y1 <= y)
        crossings.push([x0 + ((y - y0) * (x1 - x0)) / (y1 - y0), y1 > y0 ? 1 : -1]);
    }
    crossings.sort((a, b) => a[0] - b[0]);
    let winding = 0;
    crossings.forEach(([x, turn], i) => {
      winding += turn;
      if (winding !== 0 && i + 1 < crossings.length) sum += (crossings[i + 1][0] - x) * step;
    });
  }
  return sum;
}

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
    const [ring] = pathRings(outlineInk(line, nib));
    const wanted = areaOf(unionOfDiscs(line, nib)) / PER_POINT ** 2;
    expect(Math.abs(filledArea(ring, 0.01) / wanted - 1)).toBeLessThan(0.005);
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

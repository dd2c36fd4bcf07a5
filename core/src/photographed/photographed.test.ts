import fc from 'fast-check';
import { seededRandom } from '../../testing/seededRandom.ts';
import type { Vec } from '../geometry/index.ts';
import {
  carried,
  evenLight,
  findCorners,
  homography,
  type Pixels,
  type Quad,
  sheetQuad,
  sheetShape,
  straightened,
} from './index.ts';

/** Corners of a sheet that stands about upright, well apart. */
const quad: fc.Arbitrary<Quad> = fc
  .array(fc.double({ min: -20, max: 20, noNaN: true }), { minLength: 8, maxLength: 8 })
  .map((by) =>
    sheetQuad(100, 140).map(({ x, y }, k) => ({ x: x + by[2 * k], y: y + by[2 * k + 1] })),
  ) as unknown as fc.Arbitrary<Quad>;

const close = (a: Vec, b: Vec): void => {
  expect(a.x).toBeCloseTo(b.x, 6);
  expect(a.y).toBeCloseTo(b.y, 6);
};

test('four corners are carried to four others, and what lies on a line stays on one', () => {
  fc.assert(
    fc.property(quad, quad, fc.double({ min: 0, max: 1, noNaN: true }), (from, to, t) => {
      const map = homography(from, to);
      from.forEach((corner, k) => close(carried(map, corner), to[k]));
      const on = {
        x: from[0].x + t * (from[2].x - from[0].x),
        y: from[0].y + t * (from[2].y - from[0].y),
      };
      const { x, y } = carried(map, on);
      const [a, c] = [to[0], to[2]];
      expect((x - a.x) * (c.y - a.y) - (y - a.y) * (c.x - a.x)).toBeCloseTo(0, 5);
      close(carried(homography(to, from), { x, y }), on);
    }),
  );
});

/** A grey picture of a dark table with a sheet on it; `at` says how bright the sheet is at a place of itself, 0–1 each way. */
function photographOf(corners: Quad, at: (u: number, v: number) => number): Pixels {
  const [width, height] = [360, 480];
  const random = seededRandom(7);
  const back = homography(corners, sheetQuad(1, 1));
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const p = carried(back, { x: x + 0.5, y: y + 0.5 });
      const isOn = p.x >= 0 && p.y >= 0 && p.x < 1 && p.y < 1;
      const level = (isOn ? at(p.x, p.y) : 70) + 4 * random();
      data.set([level, level, level, 255], 4 * (y * width + x));
    }
  return { width, height, data };
}

const CORNERS: Quad = [
  { x: 70, y: 60 },
  { x: 280, y: 75 },
  { x: 310, y: 420 },
  { x: 40, y: 400 },
];
/** Lines of writing on a sheet that becomes dark to one side. */
const written = (u: number, v: number): number => {
  const light = 0.45 + 0.55 * u;
  const isInk = u > 0.1 && u < 0.9 && Math.floor(v * 40) % 4 === 2;
  return light * (isInk ? 60 : 235);
};

test('the corners of a sheet are found, whatever is written on it', () => {
  const found = findCorners(photographOf(CORNERS, written));
  found?.forEach(({ x, y }, k) => {
    expect(Math.hypot(x - CORNERS[k].x, y - CORNERS[k].y)).toBeLessThan(1);
  });
  expect(found).not.toBeNull();
});

test('where there is no sheet none is found', () => {
  const random = seededRandom(3);
  const data = Uint8ClampedArray.from({ length: 4 * 200 * 200 }, () => 255 * random());
  expect(findCorners({ width: 200, height: 200, data })).toBeNull();
  expect(findCorners({ width: 200, height: 200, data: data.fill(200) })).toBeNull();
  expect(findCorners({ width: 3, height: 2, data: new Uint8Array(24) })).toBeNull();
});

test('straightened and lit evenly it is white, and what is written is dark', () => {
  const rows: number[] = [];
  const sheet = straightened(
    photographOf(CORNERS, written),
    CORNERS,
    { width: 200, height: 280 },
    (done, all) => rows.push(done / all),
  );
  expect(rows.at(-1)).toBe(1);
  evenLight(sheet);
  const at = (u: number, v: number): number =>
    sheet.data[4 * (Math.floor(v * 280) * 200 + Math.floor(u * 200))];
  for (const u of [0.05, 0.5, 0.95]) expect(at(u, 0.5 / 40)).toBeGreaterThan(240);
  for (const u of [0.2, 0.5, 0.8])
    for (const line of [2, 6, 22]) expect(at(u, (line + 0.5) / 40)).toBeLessThan(90);
});

test('a dark picture on a sheet stays one', () => {
  const sheet = straightened(
    photographOf(CORNERS, (u, v) => (u > 0.4 && u < 0.6 && v > 0.4 && v < 0.6 ? 70 : 230)),
    CORNERS,
    { width: 200, height: 280 },
  );
  evenLight(sheet);
  expect(sheet.data[4 * (140 * 200 + 100)]).toBeLessThan(140);
});

test.each([
  ['A4, upright', 210 / 297],
  ['A4, lying', 297 / 210],
  ['a card', 0.9],
])('the shape of a sheet follows from how a camera sees it: %s', (_, shape) => {
  // A camera of 900 pixels' focal length, looking at a sheet that is tilted both ways.
  const [sx, cx] = [Math.sin(0.5), Math.cos(0.5)];
  const [sy, cy] = [Math.sin(0.3), Math.cos(0.3)];
  const seen = sheetQuad(shape, 1).map(({ x, y }) => {
    const [px, py] = [x - shape / 2, y - 0.5];
    const [x1, z1] = [px * cy, px * sy];
    const [y1, z2] = [py * cx - z1 * sx, py * sx + z1 * cx];
    const z = 2 + z2;
    return { x: 400 + (900 * x1) / z, y: 300 + (900 * y1) / z };
  }) as unknown as Quad;
  expect(sheetShape(seen, { x: 400, y: 300 })).toBeCloseTo(shape, 2);
});

test('without perspective its shape is that of its sides', () => {
  expect(sheetShape(sheetQuad(120, 100), { x: 60, y: 50 })).toBeCloseTo(1.2);
});

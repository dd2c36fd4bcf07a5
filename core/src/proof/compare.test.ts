import fc from 'fast-check';
import { invertMatrix, type Matrix, transform } from '../geometry/index.ts';
import type { Raster } from '../pdfium/index.ts';
import { compareRasters } from './compare.ts';

const SIZE = { width: 60, height: 40 };

/** A white picture with boxes of grey in it. */
function picture(
  boxes: readonly { x: number; y: number; w: number; h: number; level: number }[],
  { width, height } = SIZE,
): Raster {
  const data = new Uint8ClampedArray(width * height * 4).fill(255);
  for (const { x, y, w, h, level } of boxes)
    for (let v = y; v < Math.min(height, y + h); v++)
      for (let u = x; u < Math.min(width, x + w); u++)
        data.set([level, level, level], 4 * (v * width + u));
  return { width, height, data };
}
const box = fc.record({
  x: fc.integer({ min: 0, max: 50 }),
  y: fc.integer({ min: 0, max: 30 }),
  w: fc.integer({ min: 1, max: 20 }),
  h: fc.integer({ min: 1, max: 12 }),
  level: fc.integer({ min: 0, max: 240 }),
});

test('a picture is like itself, and differs alike from both sides', () => {
  fc.assert(
    fc.property(fc.array(box, { maxLength: 6 }), fc.array(box, { maxLength: 6 }), (a, b) => {
      const [p, q] = [picture(a), picture(b)];
      expect(compareRasters(p, p)).toMatchObject({ differing: 0, spots: [] });
      const [there, back] = [compareRasters(p, q), compareRasters(q, p)];
      expect(there.differing).toBe(back.differing);
      expect(there.inked).toBe(back.inked);
      const counted = there.spots.reduce((sum, { pixels }) => sum + pixels, 0);
      expect(counted).toBe(there.differing);
    }),
  );
});

test('what is there in one picture only is a spot of its size and place, however thin', () => {
  const [spot] = compareRasters(
    picture([{ x: 20, y: 10, w: 2, h: 12, level: 0 }]),
    picture([]),
  ).spots;
  expect(spot).toMatchObject({ pixels: 24, clear: 24 });
  expect(spot.box).toEqual({ minX: 20, minY: 10, maxX: 22, maxY: 22 });
});

test('edges may lie a pixel off, and half a pixel’s grey; two pixels are seen', () => {
  const at = (x: number) => picture([{ x, y: 5, w: 20, h: 20, level: 40 }]);
  expect(compareRasters(at(10), at(11)).differing).toBe(0);
  expect(compareRasters(at(10), at(13)).spots[0].clear).toBeGreaterThan(10);
  const soft = picture([
    { x: 9, y: 5, w: 22, h: 20, level: 150 },
    { x: 10, y: 5, w: 20, h: 20, level: 40 },
  ]);
  expect(compareRasters(at(10), soft).differing).toBe(0);
});

test('a pale seam is no clear difference, and photographs are compared by squares', () => {
  const flat = { x: 0, y: 0, w: 60, h: 40, level: 180 };
  const seam = picture([flat, { x: 5, y: 20, w: 40, h: 1, level: 200 }]);
  const { spots } = compareRasters(picture([flat]), seam);
  expect(spots.every(({ clear }) => clear === 0)).toBe(true);
  const grainy = (phase: number) =>
    picture(
      Array.from({ length: 300 }, (_, k) => ({
        ...{ x: 2 * (k % 30) + phase, y: 4 * Math.floor(k / 30), w: 1, h: 4, level: 100 },
      })),
    );
  const whole = [60, 0, 0, 40, 0, 0] as const;
  expect(compareRasters(grainy(0), grainy(1), [whole]).differing).toBe(0);
  const dark = picture([{ x: 0, y: 0, w: 30, h: 40, level: 20 }]);
  const light = picture([{ x: 30, y: 0, w: 30, h: 40, level: 20 }]);
  expect(compareRasters(dark, light, [whole]).differing).toBeGreaterThan(1500);
});

test('a hairline at the edge of a photograph may lie a pixel further', () => {
  const edged = (x: number) => picture([{ x, y: 0, w: 1, h: 40, level: 100 }]);
  const photograph = [58, 0, 0, 40, 0, 0] as const;
  expect(compareRasters(edged(57), edged(56), [photograph]).differing).toBe(0);
});

test('where dark meets light in a photograph the line may lie a pixel further, not three', () => {
  const whole = [60, 0, 0, 40, 0, 0] as const;
  const halves = (x: number) => picture([{ x: 0, y: 0, w: x, h: 40, level: 0 }]);
  expect(compareRasters(halves(30), halves(31), [whole]).differing).toBe(0);
  expect(compareRasters(halves(30), halves(33), [whole]).differing).toBeGreaterThan(40);
});

test('a photograph that lies aslant may have its edge a pixel off; one that is turned is seen', () => {
  // 30 by 16, about the middle of the picture.
  const place = (by: number): Matrix => {
    const [c, s] = [Math.cos(by), Math.sin(by)];
    const [a, b, e, f] = [30 * c, 30 * s, -16 * s, 16 * c];
    return [a, b, e, f, 30 - (a + e) / 2, 20 - (b + f) / 2];
  };
  // Its left half is dark.
  const photograph = (at: Matrix, grow = 0): Raster => {
    const back = invertMatrix(at);
    const boxes = Array.from({ length: 60 * 40 }, (_, i) => {
      const [x, y] = [i % 60, Math.floor(i / 60)];
      const { x: u, y: v } = transform(back, { x: x + 0.5, y: y + 0.5 });
      const isIn = u > -grow / 30 && u < 1 + grow / 30 && v > -grow / 16 && v < 1 + grow / 16;
      return isIn ? { x, y, w: 1, h: 1, level: u < 0.5 ? 20 : 120 } : null;
    });
    return picture(boxes.flatMap((one) => one ?? []));
  };
  const own = place(Math.PI / 6);
  expect(compareRasters(photograph(own), photograph(own, 0.8), [own]).differing).toBe(0);
  const turned = compareRasters(photograph(own), photograph(place((7 * Math.PI) / 6)), [own]);
  expect(turned.spots[0].pixels).toBeGreaterThan(200);
});

test('pictures of other sizes are not compared', () => {
  const other = picture([], { width: 61, height: 40 });
  expect(() => compareRasters(picture([]), other)).toThrow(RangeError);
});

import fc from 'fast-check';
import {
  clampCamera,
  fitPageZoom,
  fitWidthZoom,
  MAX_ZOOM,
  MIN_ZOOM,
  toStack,
  wholeStack,
  zoomAbout,
} from './camera.ts';
import { stackPages } from './pageStack.ts';

const view = { width: 1200, height: 700 };
const stack = stackPages(Array.from({ length: 5 }, () => ({ width: 600, height: 800 })));
const camera = fc.record({
  x: fc.double({ min: -500, max: 900, noNaN: true }),
  y: fc.double({ min: -500, max: 5000, noNaN: true }),
  zoom: fc.double({ min: MIN_ZOOM, max: MAX_ZOOM, noNaN: true }),
});
const place = fc.record({
  x: fc.double({ min: 0, max: view.width, noNaN: true }),
  y: fc.double({ min: 0, max: view.height, noNaN: true }),
});

test('a place on the screen is so far from the camera as it is seen, at its zoom', () => {
  fc.assert(
    fc.property(camera, place, (c, p) => {
      const at = toStack(c, p);
      expect((at.x - c.x) * c.zoom).toBeCloseTo(p.x, 6);
      expect((at.y - c.y) * c.zoom).toBeCloseTo(p.y, 6);
    }),
  );
});

test('zooming keeps the point under the pointer', () => {
  fc.assert(
    fc.property(camera, place, fc.double({ min: 0.01, max: 100, noNaN: true }), (c, p, zoom) => {
      const next = zoomAbout(c, zoom, p);
      expect(next.zoom).toBeGreaterThanOrEqual(MIN_ZOOM);
      expect(next.zoom).toBeLessThanOrEqual(MAX_ZOOM);
      const before = toStack(c, p);
      const after = toStack(next, p);
      expect(after.x).toBeCloseTo(before.x, 6);
      expect(after.y).toBeCloseTo(before.y, 6);
    }),
  );
});

test('the stack never leaves the window, and clamping twice changes nothing', () => {
  fc.assert(
    fc.property(camera, (c) => {
      const held = clampCamera(c, wholeStack(stack), view);
      expect(held.y).toBeGreaterThanOrEqual(
        Math.min(0, (stack.height - view.height / held.zoom) / 2) - 1e-9,
      );
      expect(held.y + view.height / held.zoom).toBeLessThanOrEqual(
        Math.max(stack.height, (stack.height + view.height / held.zoom) / 2) + 1e-6,
      );
      expect(clampCamera(held, wholeStack(stack), view)).toEqual(held);
    }),
  );
});

test('fit width fills the window but for its margins; fit page shows all of it', () => {
  expect(fitWidthZoom(592, view)).toBeCloseTo(2);
  expect(fitPageZoom(600, 684, view)).toBeCloseTo(1);
  expect(fitWidthZoom(100_000, view)).toBe(MIN_ZOOM);
});

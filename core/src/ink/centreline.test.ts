import { distanceToPolyline } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { stroke } from '../../testing/arbitraries.ts';
import { ellipsePath, writeAlong } from '../../testing/hand.ts';
import { centrelineOf } from './centreline.ts';

test('the line goes through every sample, within three hundredths of a point', () => {
  fc.assert(
    fc.property(stroke(), (samples) => {
      const line = centrelineOf(samples);
      for (const s of samples) expect(distanceToPolyline(s, line)).toBeLessThanOrEqual(0.0301);
      expect(line[0]).toMatchObject({ x: samples[0].x, y: samples[0].y });
    }),
  );
});

test('few samples of a circle make a round line, not a polygon', () => {
  const coarse = writeAlong(ellipsePath({ x: 0, y: 0 }, 40, 40), {
    rate: 60,
    noise: 0,
    speed: 900,
  });
  expect(coarse.length).toBeLessThan(60);
  for (const p of centrelineOf(coarse))
    expect(Math.abs(Math.hypot(p.x, p.y) - 40)).toBeLessThan(0.25);
});

test('a sharp corner between samples is not rounded into a loop', () => {
  const at = (x: number, y: number, t: number) => ({ x, y, t, pressure: 0.5 });
  const line = centrelineOf([at(0, 0, 0), at(20, 0, 8), at(20, 20, 16)]);
  for (const p of line) {
    expect(p.x).toBeLessThanOrEqual(20.02);
    expect(p.y).toBeGreaterThanOrEqual(-0.02);
  }
});

test('a pen that rests leaves one point with its greatest pressure', () => {
  const rest = [0.2, 0.9, 0.4].map((pressure, i) => ({ x: 5, y: 5, t: i * 8, pressure }));
  expect(centrelineOf(rest)).toEqual([{ x: 5, y: 5, t: 0, pressure: 0.9 }]);
  expect(centrelineOf([])).toEqual([]);
});

import fc from 'fast-check';
import { altitudeOf, azimuthOf, tiltOf } from './tilt.ts';

const degrees = (r: number): number => (r * 180) / Math.PI;

test.each([
  // Computed from the formulas of W3C Pointer Events 3.
  [0, 0, 90, 0],
  [45, 45, 35.264389, 45],
  [30, 0, 60, 0],
  [0, -60, 30, 270],
])('tilt %d°, %d° is altitude %d°, azimuth %d°', (tiltX, tiltY, altitude, azimuth) => {
  expect(degrees(altitudeOf(tiltX, tiltY))).toBeCloseTo(altitude, 5);
  expect(degrees(azimuthOf(tiltX, tiltY))).toBeCloseTo(azimuth, 5);
});

test('a pen lying flat has no altitude', () => {
  expect(altitudeOf(90, 0)).toBe(0);
  expect(altitudeOf(0, -90)).toBe(0);
});

test('tilts come back from altitude and azimuth', () => {
  const tilt = fc.integer({ min: -80, max: 80 });
  fc.assert(
    fc.property(tilt, tilt, (tiltX, tiltY) => {
      const back = tiltOf(altitudeOf(tiltX, tiltY), azimuthOf(tiltX, tiltY));
      expect(back.tiltX).toBeCloseTo(tiltX, 6);
      expect(back.tiltY).toBeCloseTo(tiltY, 6);
    }),
  );
});

import { altitudeOf } from './tilt.ts';

test.each([
  // Computed from the formulas of W3C Pointer Events 3.
  [0, 0, 90],
  [45, 45, 35.264389],
  [30, 0, 60],
  [0, -60, 30],
])('tilt %d°, %d° is altitude %d°', (tiltX, tiltY, altitude) => {
  expect((altitudeOf(tiltX, tiltY) * 180) / Math.PI).toBeCloseTo(altitude, 5);
});

test('a pen lying flat has no altitude', () => {
  expect(altitudeOf(90, 0)).toBe(0);
  expect(altitudeOf(0, -90)).toBe(0);
});

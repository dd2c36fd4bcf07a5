import { createSpeedPressure, NO_PRESSURE } from './speedPressure.ts';

/** Pressure after a second at an even speed, points a second, read every 8 ms. */
function after(speed: number): number {
  const pressure = createSpeedPressure();
  let p = 0;
  for (let t = 0; t <= 1000; t += 8) p = pressure({ x: (speed * t) / 1000, y: 0 }, t);
  return p;
}

test('the first touch is middling, slow is heavy, quick is light', () => {
  expect(createSpeedPressure()({ x: 5, y: 5 }, 100)).toBe(NO_PRESSURE);
  expect(after(20)).toBeGreaterThan(after(200));
  expect(after(200)).toBeGreaterThan(after(900));
  expect(after(0)).toBeLessThanOrEqual(0.7);
  expect(after(9000)).toBeGreaterThanOrEqual(0.25);
});

test('a repeated report changes nothing, and a jump is softened', () => {
  const pressure = createSpeedPressure();
  pressure({ x: 0, y: 0 }, 0);
  const before = pressure({ x: 1, y: 0 }, 8);
  expect(pressure({ x: 1, y: 0 }, 8)).toBe(before);
  expect(Math.abs(pressure({ x: 5, y: 0 }, 16) - before)).toBeLessThan(0.1);
});

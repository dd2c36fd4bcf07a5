import { alpha } from './oneEuro';

test('a cutoff of 1 Hz at 120 Hz gives the published weight 0.0497547', () => {
  expect(alpha(1, 1 / 120)).toBeCloseTo(0.0497547, 6);
});

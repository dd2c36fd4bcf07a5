import type { InkSample } from '@marginalis/core/ink';
import { leadOf } from './leadOf';

const at = (t: number, x: number): InkSample => ({ t, x, y: 0, pressure: 0.5 });

test.each([
  ['a pen that moves on is led by what it would come to', [0, 4, 8, 12], [16, 20], 2],
  ['a pen that slows down is led less', [0, 10, 11, 12], [13, 19, 28], 1],
  ['a pen that rests is not led', [0, 40, 40, 40, 40, 40, 40], [44, 48], 0],
  ['a pen that has just come down is not led', [5], [9], 0],
])('%s', (_, xs, ahead, shown) => {
  const samples = xs.map((x, i) => at(8 * i, x));
  const predicted = ahead.map((x, i) => at(8 * (xs.length + i), x));
  expect(leadOf(samples, predicted)).toHaveLength(shown);
});

test('nothing is led where nothing is', () => expect(leadOf([], [at(0, 1)])).toEqual([]));

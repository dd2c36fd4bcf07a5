import fc from 'fast-check';
import { stroke } from '../../testing/arbitraries.ts';
import { boxOfPoints, type Matrix, transform } from '../geometry/index.ts';
import { boxOfPacked, packSamples, unpackSamples } from './packed.ts';

test('samples come back from the block as they were, with tilt and without', () => {
  fc.assert(
    fc.property(stroke(), (samples) => {
      expect(unpackSamples(packSamples(samples))).toEqual(samples);
    }),
  );
});

test('the box of a block is that of its samples, wherever they are put', () => {
  const place: Matrix = [0.6, -0.8, 0.8, 0.6, 30, -12];
  fc.assert(
    fc.property(stroke(), (samples) => {
      const packed = packSamples(samples);
      expect(boxOfPacked(packed)).toEqual(boxOfPoints(samples));
      const moved = samples.map((s) => transform(place, s));
      expect(boxOfPacked(packed, place)).toEqual(boxOfPoints(moved));
    }),
  );
});

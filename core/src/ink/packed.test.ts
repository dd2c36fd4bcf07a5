import fc from 'fast-check';
import { stroke } from '../../testing/arbitraries.ts';
import { packSamples, unpackSamples } from './packed.ts';

test('samples come back from the block as they were, with tilt and without', () => {
  fc.assert(
    fc.property(stroke(), (samples) => {
      expect(unpackSamples(packSamples(samples))).toEqual(samples);
    }),
  );
});

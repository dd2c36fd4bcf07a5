import { deflateSync, inflateSync } from 'node:zlib';
import fc from 'fast-check';
import { readAsPng } from '../../../testing/readAsPng.ts';
import { predicted } from './predicted.ts';

test('rows that are predicted read as the samples they were', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(1 as const, 3 as const),
      fc.integer({ min: 1, max: 9 }),
      fc.array(fc.nat(255), { minLength: 1, maxLength: 200 }),
      (components, width, levels) => {
        const row = width * components;
        const height = Math.max(1, Math.floor(levels.length / row));
        const samples = Uint8Array.from(
          { length: row * height },
          (_, k) => levels[k % levels.length],
        );
        const read = readAsPng(predicted(samples, width, components), width, height, components);
        const colours = [...read].filter((_, k) => k % 4 !== 3);
        const wanted = components === 3 ? [...samples] : [...samples].flatMap((g) => [g, g, g]);
        expect(colours).toEqual(wanted);
      },
    ),
  );
});

test('a slope packs far better than its samples do', () => {
  const slope = Uint8Array.from({ length: 64 * 64 }, (_, k) => (k % 64) * 2 + (k >> 6));
  const packed = deflateSync(predicted(slope, 64, 1));
  expect(packed.length).toBeLessThan(deflateSync(slope).length / 4);
  expect(inflateSync(packed)).toHaveLength(64 * 65);
});

import fc from 'fast-check';
import { sample, stroke } from '../../../testing/arbitraries.ts';
import { ellipsePath, wavePath, writeAlong } from '../../../testing/hand.ts';
import { quantiseSamples } from '../sample.ts';
import { decodeSamples, encodeSamples } from './codec.ts';
import { SampleCodecError } from './sampleCodecError.ts';

/** Nineteen samples as version 1 wrote them. */
const FIRST_RELEASE =
  'AQAm7g+cHwCACHroASIWENMBABYWWgEYV0UCFkQlABYEJQEUADMCFh9DABZGEAEUKxkCFAYaARITdgISJyUAElh2ABBhIQEQhAE0Ag5rJAAODCYLCpEM';

test('what is on the stored grid comes back exactly', () => {
  fc.assert(
    fc.property(fc.array(sample, { maxLength: 60 }), (samples) => {
      const tilted = samples.some((s) => s.tiltX !== undefined || s.tiltY !== undefined);
      const kept = quantiseSamples(samples).map((s) =>
        tilted ? { ...s, tiltX: s.tiltX ?? 0, tiltY: s.tiltY ?? 0 } : s,
      );
      const back = decodeSamples(encodeSamples(samples));
      expect(back.map((s) => ({ ...s, x: s.x + 0, y: s.y + 0 }))).toEqual(
        kept.map((s) => ({ ...s, x: s.x + 0, y: s.y + 0 })),
      );
    }),
  );
});

test('the grid is at most half a step away: 0.005 point, half a 1023rd of pressure', () => {
  fc.assert(
    fc.property(stroke(), (samples) => {
      quantiseSamples(samples).forEach((k, i) => {
        expect(Math.abs(k.x - samples[i].x)).toBeLessThanOrEqual(0.005 + 1e-9);
        expect(Math.abs(k.y - samples[i].y)).toBeLessThanOrEqual(0.005 + 1e-9);
        expect(Math.abs(k.pressure - samples[i].pressure)).toBeLessThanOrEqual(0.5 / 1023 + 1e-9);
      });
    }),
  );
});

test('putting samples on the grid twice changes nothing, and time never runs back', () => {
  fc.assert(
    fc.property(fc.array(sample, { minLength: 1 }), (samples) => {
      const once = quantiseSamples(samples);
      expect(quantiseSamples(once)).toEqual(once);
      for (let i = 1; i < once.length; i++) expect(once[i].t).toBeGreaterThanOrEqual(once[i - 1].t);
    }),
  );
});

test('ink of the first release is still read, and its damage told', () => {
  const first = Uint8Array.from(atob(FIRST_RELEASE), (c) => c.charCodeAt(0));
  const samples = decodeSamples(first);
  expect(samples).toHaveLength(19);
  expect(samples[1]).toMatchObject({ x: 10.76, y: 21.14, t: 17 });
  expect(samples[18]).toMatchObject({ x: 21.97, y: 20.06, t: 295 });
  expect(decodeSamples(encodeSamples(samples))).toEqual(samples);
  for (let n = 0; n < first.length; n++) {
    expect(() => decodeSamples(first.subarray(0, n))).toThrow(SampleCodecError);
    const damaged = first.slice();
    damaged[n] ^= 16;
    expect(() => decodeSamples(damaged)).toThrow(SampleCodecError);
  }
});

test('every changed byte is told as damage', () => {
  const bytes = encodeSamples(writeAlong(wavePath({ x: 50, y: 60 }, 80, 5, 2)));
  for (let i = 0; i < bytes.length; i++)
    for (const flip of [1, 16, 128]) {
      const damaged = bytes.slice();
      damaged[i] ^= flip;
      expect(() => decodeSamples(damaged)).toThrow(SampleCodecError);
    }
});

test('random bytes and cut data never crash, loop or pass', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
      try {
        decodeSamples(bytes);
      } catch (e) {
        expect(e).toBeInstanceOf(SampleCodecError);
      }
    }),
  );
  const whole = encodeSamples(writeAlong(ellipsePath({ x: 100, y: 100 }, 30, 20)));
  for (let n = 0; n < whole.length; n++)
    expect(() => decodeSamples(whole.subarray(0, n))).toThrow(SampleCodecError);
});

test('a hand’s ink takes at most six bytes a sample', () => {
  for (const rate of [60, 120, 240])
    for (const seed of [1, 2, 3]) {
      const ink = writeAlong(wavePath({ x: 40, y: 500 }, 300, 12, 6), { seed, rate, tremor: 0.35 });
      expect(encodeSamples(ink).length / ink.length).toBeLessThanOrEqual(6);
    }
});

test('pauses, jumps and the farthest places come back exactly', () => {
  const far = [
    { x: -9e9, y: 9e9, t: 0, pressure: 0 },
    { x: 9e9, y: -9e9, t: 4e11, pressure: 1 },
    { x: -9e9, y: 0.01, t: 4e11 + 1, pressure: 0.5 },
  ];
  const back = decodeSamples(encodeSamples(far));
  expect(back).toEqual(quantiseSamples(far));
});

test('a coordinate that is no number is refused before it is stored', () => {
  expect(() => encodeSamples([{ x: 1e12, y: 0, t: 0, pressure: 0.5 }])).toThrow(RangeError);
  expect(() => encodeSamples([{ x: NaN, y: 0, t: 0, pressure: 0.5 }])).toThrow(RangeError);
  expect(() => encodeSamples([{ x: 0, y: Infinity, t: 0, pressure: 0.5 }])).toThrow(RangeError);
});

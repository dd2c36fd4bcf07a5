import { type Box, box, EMPTY_BOX, IDENTITY, type Matrix } from '../geometry/index.ts';
import type { InkSample } from './sample.ts';

/** Numbers a sample: x, y, t, pressure, tiltX, tiltY; not a number where there is no tilt. */
const WIDTH = 6;

/** Samples as one block of numbers, which goes from thread to thread without being copied. */
export function packSamples(samples: readonly InkSample[]): Float64Array {
  const packed = new Float64Array(samples.length * WIDTH);
  samples.forEach((s, i) => {
    const at = i * WIDTH;
    packed[at] = s.x;
    packed[at + 1] = s.y;
    packed[at + 2] = s.t;
    packed[at + 3] = s.pressure;
    packed[at + 4] = s.tiltX ?? NaN;
    packed[at + 5] = s.tiltY ?? NaN;
  });
  return packed;
}

export function unpackSamples(packed: Float64Array): InkSample[] {
  const samples: InkSample[] = [];
  for (let i = 0; i < packed.length; i += WIDTH) {
    const [x, y, t, pressure] = [packed[i], packed[i + 1], packed[i + 2], packed[i + 3]];
    const [tiltX, tiltY] = [packed[i + 4], packed[i + 5]];
    const sample: { -readonly [K in keyof InkSample]: InkSample[K] } = { x, y, t, pressure };
    if (!Number.isNaN(tiltX)) sample.tiltX = tiltX;
    if (!Number.isNaN(tiltY)) sample.tiltY = tiltY;
    samples.push(sample);
  }
  return samples;
}

const unpacked = new WeakMap<Float64Array, WeakRef<readonly InkSample[]>>();

/**
 * Packed samples as objects; the same ones as long as somebody holds them. Thousands of strokes as objects are what a
 * browser that collects garbage stops for longest.
 */
export function samplesIn(packed: Float64Array): readonly InkSample[] {
  const known = unpacked.get(packed)?.deref();
  if (known) return known;
  const samples = unpackSamples(packed);
  unpacked.set(packed, new WeakRef(samples));
  return samples;
}

/** How long the pen was down, ms. */
export const timeTaken = (packed: Float64Array): number =>
  packed.length === 0 ? 0 : packed[packed.length - WIDTH + 2] - packed[2];

/** The box around packed samples, as `place` puts them; empty for none. */
export function boxOfPacked(packed: Float64Array, place: Matrix = IDENTITY): Box {
  let { minX, minY, maxX, maxY } = EMPTY_BOX;
  for (let i = 0; i < packed.length; i += WIDTH) {
    const x = place[0] * packed[i] + place[2] * packed[i + 1] + place[4];
    const y = place[1] * packed[i] + place[3] * packed[i + 1] + place[5];
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  return box(minX, minY, maxX, maxY);
}

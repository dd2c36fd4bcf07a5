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
  return Array.from({ length: packed.length / WIDTH }, (_, i) => {
    const [x, y, t, pressure, tiltX, tiltY] = packed.subarray(i * WIDTH, (i + 1) * WIDTH);
    return {
      x,
      y,
      t,
      pressure,
      ...(Number.isNaN(tiltX) ? {} : { tiltX }),
      ...(Number.isNaN(tiltY) ? {} : { tiltY }),
    };
  });
}

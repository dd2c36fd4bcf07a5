import type { InkSample } from './sample.ts';

/** The pen a share `u` (0–1) of the way from `a` to `b`. */
export function sampleBetween(a: InkSample, b: InkSample, u: number): InkSample {
  const mix = (p: number, q: number): number => p + (q - p) * u;
  const tilt =
    a.tiltX === undefined && b.tiltX === undefined
      ? {}
      : { tiltX: mix(a.tiltX ?? 0, b.tiltX ?? 0), tiltY: mix(a.tiltY ?? 0, b.tiltY ?? 0) };
  return {
    x: mix(a.x, b.x),
    y: mix(a.y, b.y),
    t: mix(a.t, b.t),
    pressure: mix(a.pressure, b.pressure),
    ...tilt,
  };
}

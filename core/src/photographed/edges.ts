import { type SmallPicture, softened } from './pixels.ts';

/** How steeply a picture changes at each pixel, by its most telling colour; the slope leads to where it is brighter. */
export interface Edges {
  readonly width: number;
  readonly height: number;
  /** Levels a pixel. */
  readonly steep: Float32Array;
  /** Radians, −π–π. */
  readonly angle: Float32Array;
  /** Where it is steeper than to either side of it. */
  readonly crest: Uint8Array;
}

/** Grey levels a pixel: noise and the grain of paper are less. */
const LEAST = 3;

export function edgesOf({ width, height, channels }: SmallPicture): Edges {
  const steep = new Float32Array(width * height);
  const angle = new Float32Array(width * height);
  for (const channel of channels) {
    const soft = softened(channel, width, height, 1);
    for (let y = 1; y < height - 1; y++)
      for (let x = 1; x < width - 1; x++) {
        const k = y * width + x;
        const gx = (soft[k + 1] - soft[k - 1]) / 2;
        const gy = (soft[k + width] - soft[k - width]) / 2;
        const most = Math.hypot(gx, gy);
        if (most <= steep[k]) continue;
        steep[k] = most;
        angle[k] = Math.atan2(gy, gx);
      }
  }
  const crest = new Uint8Array(width * height);
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const k = y * width + x;
      if (steep[k] < LEAST) continue;
      const [dx, dy] = [Math.round(Math.cos(angle[k])), Math.round(Math.sin(angle[k]))];
      if (steep[k] >= steep[k + dy * width + dx] && steep[k] > steep[k - dy * width - dx])
        crest[k] = 1;
    }
  return { width, height, steep, angle, crest };
}

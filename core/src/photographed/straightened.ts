import { carried, homography, type Quad, sheetQuad } from './homography.ts';
import type { Pixels } from './pixels.ts';

/**
 * What lies between four corners of a picture as an upright sheet of a size, each of its pixels from between four of the picture's.
 * @param onRow called for each row that is done, of all
 */
export function straightened(
  { width, height, data }: Pixels,
  corners: Quad,
  size: { readonly width: number; readonly height: number },
  onRow?: (done: number, all: number) => void,
): Pixels {
  const map = homography(sheetQuad(size.width, size.height), corners);
  const made = new Uint8ClampedArray(4 * size.width * size.height);
  for (let y = 0; y < size.height; y++) {
    for (let x = 0; x < size.width; x++) {
      const p = carried(map, { x: x + 0.5, y: y + 0.5 });
      const u = Math.min(width - 1, Math.max(0, p.x - 0.5));
      const v = Math.min(height - 1, Math.max(0, p.y - 0.5));
      const i = Math.min(width - 2, Math.floor(u));
      const j = Math.min(height - 2, Math.floor(v));
      const [s, t] = [u - i, v - j];
      const k = 4 * (j * width + i);
      const below = k + 4 * width;
      const to = 4 * (y * size.width + x);
      for (let c = 0; c < 3; c++)
        made[to + c] =
          (data[k + c] * (1 - s) + data[k + 4 + c] * s) * (1 - t) +
          (data[below + c] * (1 - s) + data[below + 4 + c] * s) * t;
      made[to + 3] = 255;
    }
    onRow?.(y + 1, size.height);
  }
  return { ...size, data: made };
}

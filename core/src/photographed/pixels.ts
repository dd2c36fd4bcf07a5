/** A picture in memory: four bytes a pixel, red, green, blue, opacity, row by row from the top. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** A picture of less pixels, three numbers (0–255) each, and by how much it is smaller. */
export interface SmallPicture {
  readonly width: number;
  readonly height: number;
  /** Red, green and blue, each by itself. */
  readonly channels: readonly [Float32Array, Float32Array, Float32Array];
  /** Its pixels to one of the whole. */
  readonly scale: number;
}

/** The mean of what falls into each pixel; no larger than the picture is. `longer` is of the longer side. */
export function smaller({ width, height, data }: Pixels, longer: number): SmallPicture {
  const scale = Math.min(1, longer / Math.max(width, height));
  const [w, h] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  const channels = [0, 1, 2].map(
    () => new Float32Array(w * h),
  ) as unknown as SmallPicture['channels'];
  const counts = new Uint32Array(w * h);
  for (let y = 0; y < height; y++) {
    const row = Math.min(h - 1, Math.floor((y * h) / height)) * w;
    for (let x = 0; x < width; x++) {
      const at = row + Math.min(w - 1, Math.floor((x * w) / width));
      const from = 4 * (y * width + x);
      counts[at]++;
      for (let c = 0; c < 3; c++) channels[c][at] += data[from + c];
    }
  }
  for (const channel of channels) for (let k = 0; k < channel.length; k++) channel[k] /= counts[k];
  return { width: w, height: h, channels, scale };
}

/** Softened by a Gaussian of `sigma` pixels; beyond the edge stands what stands at it. */
export function softened(
  values: Float32Array,
  width: number,
  height: number,
  sigma: number,
): Float32Array {
  const reach = Math.ceil(3 * sigma);
  const kernel = Float32Array.from({ length: 2 * reach + 1 }, (_, k) =>
    Math.exp(-((k - reach) ** 2) / (2 * sigma * sigma)),
  );
  const sum = kernel.reduce((a, b) => a + b, 0);
  const along = (from: Float32Array, count: number, step: number, lines: number, jump: number) => {
    const to = new Float32Array(from.length);
    for (let line = 0; line < lines; line++)
      for (let k = 0; k < count; k++) {
        let all = 0;
        for (let d = -reach; d <= reach; d++)
          all +=
            kernel[d + reach] * from[line * jump + Math.min(count - 1, Math.max(0, k + d)) * step];
        to[line * jump + k * step] = all / sum;
      }
    return to;
  };
  return along(along(values, width, 1, height, width), height, width, width, 1);
}

import { type Pixels, smaller, softened } from './pixels.ts';

/** Squares of the longer side by which the light on a sheet is told. */
const SQUARES = 64;
/** Paper is as bright as the brightest of so many squares around; what is larger and darker is printed so. */
const AROUND = 7;
const SOFT = 2.5;
/** Paper is no darker than so much of the brightest paper: what is darker is a picture, and stays as it is. */
const DARKEST = 0.3;
/** What is as bright as the paper, as a share, is white; what is as dark is black. */
const WHITE = 0.93;
const BLACK = 0.12;

/**
 * Evens the light on a photographed sheet: shadows go, the paper becomes white and what is written on it as dark as ink. In place.
 */
export function evenLight({ width, height, data }: Pixels): void {
  const small = smaller({ width, height, data }, SQUARES);
  const light = small.channels.map((channel) => lightOf(channel, small.width, small.height));
  for (let c = 0; c < 3; c++) {
    const field = light[c];
    for (let y = 0; y < height; y++) {
      const v = Math.max(
        0,
        Math.min(small.height - 1.001, ((y + 0.5) * small.height) / height - 0.5),
      );
      const j = Math.floor(v);
      const t = v - j;
      const next = j + 1 < small.height ? small.width : 0;
      for (let x = 0; x < width; x++) {
        const u = Math.max(
          0,
          Math.min(small.width - 1.001, ((x + 0.5) * small.width) / width - 0.5),
        );
        const i = Math.floor(u);
        const s = u - i;
        const k = j * small.width + i;
        const right = i + 1 < small.width ? 1 : 0;
        const paper =
          (field[k] * (1 - s) + field[k + right] * s) * (1 - t) +
          (field[k + next] * (1 - s) + field[k + next + right] * s) * t;
        const at = 4 * (y * width + x) + c;
        data[at] = Math.round(255 * clamped((data[at] / paper - BLACK) / (WHITE - BLACK)));
      }
    }
  }
}

const clamped = (v: number): number => (v < 0 ? 0 : v > 1 ? 1 : v);

/** How bright paper would be at each square: the brightest around, less what is wider than any writing, softened. */
function lightOf(means: Float32Array, width: number, height: number): Float32Array {
  const wide = extreme(
    extreme(means, width, height, AROUND, Math.max),
    width,
    height,
    AROUND,
    Math.min,
  );
  const brightest = wide.reduce((most, v) => Math.max(most, v), 1);
  const field = softened(
    wide.map((v) => Math.max(v, DARKEST * brightest)),
    width,
    height,
    SOFT,
  );
  return field.map((v) => Math.max(1, v));
}

/** The largest, or the least, of the squares around each. */
function extreme(
  values: Float32Array,
  width: number,
  height: number,
  reach: number,
  of: (a: number, b: number) => number,
): Float32Array {
  const pass = (from: Float32Array, dx: number, dy: number): Float32Array =>
    from.map((own, k) => {
      const [x, y] = [k % width, Math.floor(k / width)];
      let found = own;
      for (let d = -reach; d <= reach; d++) {
        const [i, j] = [x + d * dx, y + d * dy];
        if (i >= 0 && j >= 0 && i < width && j < height) found = of(found, from[j * width + i]);
      }
      return found;
    });
  return pass(pass(values, 1, 0), 0, 1);
}

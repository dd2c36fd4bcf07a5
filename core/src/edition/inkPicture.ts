import type { Matrix } from '../geometry/index.ts';

/** How dark a page is, pixel by pixel from its upper left corner as it is seen: 0 is white, 1 is black. */
export interface InkPicture {
  readonly width: number;
  readonly height: number;
  readonly ink: Float32Array;
}

interface Pixels {
  readonly width: number;
  readonly height: number;
  /** Four bytes a pixel: red, green, blue, opacity. */
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** Paper is not quite white, and its shade says nothing: what is so much lighter than the page's darkest is none. */
const PAPER = 0.12;

/** How dark the pixels of a picture are (luma of Rec. ITU-R BT.601), less the shade of the paper. */
export function inkPictureOf({ width, height, data }: Pixels): InkPicture {
  const ink = new Float32Array(width * height);
  const counts = new Uint32Array(256);
  for (let k = 0; k < ink.length; k++) {
    const luma = 0.299 * data[4 * k] + 0.587 * data[4 * k + 1] + 0.114 * data[4 * k + 2];
    ink[k] = 1 - luma / 255;
    counts[Math.round(luma)]++;
  }
  // The commonest shade is the paper's.
  let shade = 255;
  for (let k = 0; k < 256; k++) if (counts[k] > counts[shade]) shade = k;
  const paper = 1 - shade / 255;
  for (let k = 0; k < ink.length; k++) ink[k] = Math.max(0, ink[k] - paper - PAPER);
  return { width, height, ink };
}

/** The same, so many pixels wide; the mean of what falls into each. No larger than it is. */
export function narrowed(picture: InkPicture, width: number): InkPicture {
  if (width >= picture.width) return picture;
  const height = Math.max(1, Math.round((picture.height * width) / picture.width));
  const ink = new Float32Array(width * height);
  const counts = new Uint32Array(width * height);
  for (let y = 0; y < picture.height; y++) {
    const row = Math.min(height - 1, Math.floor((y * height) / picture.height)) * width;
    for (let x = 0; x < picture.width; x++) {
      const at = row + Math.min(width - 1, Math.floor((x * width) / picture.width));
      ink[at] += picture.ink[y * picture.width + x];
      counts[at]++;
    }
  }
  for (let k = 0; k < ink.length; k++) ink[k] /= Math.max(1, counts[k]);
  return { width, height, ink };
}

/** From pixels to those of a picture that is so many times as large. */
export const scaled = (by: number): Matrix => [by, 0, 0, by, 0, 0];

/** A quarter clockwise. */
export function turned({ width, height, ink }: InkPicture): InkPicture {
  const out = new Float32Array(ink.length);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) out[x * height + (height - 1 - y)] = ink[y * width + x];
  return { width: height, height: width, ink: out };
}

/** Between pixels, straight; nothing beyond the edges. */
export function inkAt({ width, height, ink }: InkPicture, x: number, y: number): number {
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  const [fx, fy] = [x - x0, y - y0];
  const at = (px: number, py: number): number =>
    px < 0 || py < 0 || px >= width || py >= height ? 0 : ink[py * width + px];
  return (
    (1 - fy) * ((1 - fx) * at(x0, y0) + fx * at(x0 + 1, y0)) +
    fy * ((1 - fx) * at(x0, y0 + 1) + fx * at(x0 + 1, y0 + 1))
  );
}

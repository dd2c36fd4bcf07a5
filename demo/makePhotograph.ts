import { createCanvas } from '@napi-rs/canvas';
import { photographedSheet } from '../core/testing/photographedSheets.ts';
import { pictureBy } from '../references/support/programs.ts';

/** Pixels; which of the photographs that can be made, and how faithful its JPEG is. */
const [WIDTH, HEIGHT] = [1350, 1800];
const ONE = 11;
const QUALITY = 82;

/** A photograph of a sample document's first page on a table: what stands in for a camera. Not the same bytes on every machine. */
export async function makePhotograph(pdf: Uint8Array): Promise<Uint8Array> {
  const sheet = await pictureBy('poppler, Splash', pdf, 1, 150);
  const { picture } = photographedSheet(sheet, ONE, WIDTH, HEIGHT);
  const canvas = createCanvas(WIDTH, HEIGHT);
  const ctx = canvas.getContext('2d');
  const image = ctx.createImageData(WIDTH, HEIGHT);
  image.data.set(picture.data);
  ctx.putImageData(image, 0, 0);
  return new Uint8Array(canvas.toBuffer('image/jpeg', QUALITY));
}

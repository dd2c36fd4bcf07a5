import type { PDFObject, PDFRawStream } from '@cantoo/pdf-lib';
import { PdfRefusal } from '../../document/index.ts';
import { onePicture } from './onePicture.ts';
import type { Pixels, PictureTools } from './pictureTools.ts';

/** Larger pictures are not drawn: there may be no room. */
export const MOST_PIXELS = 120e6;

/**
 * A picture of a file as it is drawn so large.
 * @param space the colour space that its numbers are taken to be of
 * @param mayBeWhite a mask often is all white; of what is seen that means that it cannot be read
 * @returns null where it cannot be read: it is too large then, or damaged
 */
export async function drawnPixels(
  picture: PDFRawStream,
  space: PDFObject,
  { width, height }: { readonly width: number; readonly height: number },
  draw: PictureTools['draw'],
  mayBeWhite = false,
): Promise<Pixels | null> {
  const one = await onePicture(picture, space, width, height);
  try {
    const pixels = await draw(one, width, height);
    return pixels && (mayBeWhite || !isWhite(pixels)) ? pixels : null;
  } catch (e) {
    // Too large to be drawn, or damaged beyond that: the copy is made all the same.
    if (e instanceof RangeError || e instanceof PdfRefusal) return null;
    throw e;
  }
}

const isWhite = ({ data }: Pixels): boolean =>
  new Uint32Array(data.buffer, data.byteOffset, data.byteLength / 4).every(
    (pixel) => pixel === 0xffffffff,
  );

/** The numbers of pixels, a byte each. */
export function samplesOf({ width, height, data }: Pixels, components: 1 | 3): Uint8Array {
  const samples = new Uint8Array(width * height * components);
  for (let from = 0, to = 0; from < data.length; from += 4)
    for (let c = 0; c < components; c++) samples[to++] = data[from + c];
  return samples;
}

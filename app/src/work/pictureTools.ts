import type { PictureTools, Pixels } from '@marginalis/core/pdf';
import { drawFirst } from '@marginalis/core/pdfium';
import { startPdfium } from './startPdfium';

/** How faithful a JPEG is, 0–1. */
const QUALITY = 0.8;

let starting: ReturnType<typeof startPdfium> | null = null;

/** Draws and packs pictures in a worker. Rejects when what draws them cannot be fetched. */
export async function pictureTools(): Promise<PictureTools> {
  starting ??= startPdfium();
  const pdfium = await starting.catch((e: unknown) => {
    // Asked for again it is tried again.
    starting = null;
    throw e;
  });
  return {
    draw: async (pdf, width, height, onNothing) => drawFirst(pdfium, pdf, width, height, onNothing),
    jpeg: (pixels) => packed(pixels, { type: 'image/jpeg', quality: QUALITY }),
    png: (pixels) => packed(pixels, { type: 'image/png' }),
  };
}

async function packed(
  { width, height, data }: Pixels,
  how: ImageEncodeOptions,
): Promise<Uint8Array> {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d');
  if (!context) throw new RangeError('There is no room for a picture of this size.');
  const pixels = new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height);
  context.putImageData(pixels, 0, 0);
  return new Uint8Array(await (await canvas.convertToBlob(how)).arrayBuffer());
}

import { withResolution } from '@marginalis/core/formats';
import type { Box } from '@marginalis/core/geometry';
import { type OpenPages, windowOnto } from '@marginalis/core/pdfium';
import { Zip, ZipPassThrough } from 'fflate';
import type { PicturesAsk } from './contract';

/** How faithful a JPEG is, 0–1. */
const QUALITY = 0.92;

/**
 * Pages of a PDF as pictures: one alone as it is, several in a ZIP file.
 * @throws RangeError when there is no room for a picture
 */
export async function pagePictures(
  open: OpenPages,
  { dpi, type, pages, rest, area = null }: Omit<PicturesAsk, 'bytes'>,
  onProgress: (done: number, all: number) => void,
): Promise<Blob> {
  const ending = type === 'image/png' ? 'png' : 'jpg';
  const parts: Blob[] = [];
  const zip = new Zip((error, chunk) => {
    if (error) throw error;
    parts.push(new Blob([chunk as Uint8Array<ArrayBuffer>]));
  });
  for (let index = 0; index < open.pageCount; index++) {
    const { name, userUnit } = pages[index] ?? {
      name: `${rest} ${index - pages.length + 1}`,
      userUnit: 1,
    };
    const blob = await pictureOf(open, index, { dpi, userUnit, area }, type);
    const bytes = withResolution(new Uint8Array(await blob.arrayBuffer()), dpi);
    if (open.pageCount === 1) return new Blob([bytes as Uint8Array<ArrayBuffer>], { type });
    // Pictures are packed already.
    const entry = new ZipPassThrough(`${name}.${ending}`);
    zip.add(entry);
    entry.push(bytes, true);
    onProgress(index + 1, open.pageCount);
  }
  zip.end();
  return new Blob(parts, { type: 'application/zip' });
}

async function pictureOf(
  open: OpenPages,
  index: number,
  {
    dpi,
    userUnit,
    area,
  }: { readonly dpi: number; readonly userUnit: number; readonly area: Box | null },
  type: string,
): Promise<Blob> {
  const raster = open.page(index, ({ size, draw }) => {
    const seen = { width: size.width * userUnit, height: size.height * userUnit };
    return draw(windowOnto(seen, area, dpi));
  });
  if (!raster) throw new Error(`Page ${index + 1} cannot be drawn.`);
  const canvas = new OffscreenCanvas(raster.width, raster.height);
  const context = canvas.getContext('2d');
  if (!context) throw new RangeError('There is no room for a picture of this size.');
  const data = raster.data as Uint8ClampedArray<ArrayBuffer>;
  context.putImageData(new ImageData(data, raster.width, raster.height), 0, 0);
  return canvas.convertToBlob({ type, quality: QUALITY });
}

import { type Attachment, LARGEST_PICTURE, type PictureType } from '@marginalis/core/document';
import { toBase64 } from '@marginalis/core/marks';
import {
  hasPlainColours,
  pictureName,
  withoutMetadata,
  withoutPaper,
} from '@marginalis/core/pictures';
import type { PictureAsk } from './contract';

/** How faithful a JPEG is, 0–1. */
const QUALITY = 0.9;
/** A picture without a transparent place is kept without loss up to so many bytes: drawings and screens are small so. */
const LARGEST_LOSSLESS = 2_500_000;

interface Kept {
  readonly bytes: Uint8Array;
  readonly type: PictureType;
  readonly width: number;
  readonly height: number;
}

/** A picture as a document carries it. @throws Error with a sentence for people when it cannot be unpacked, or is too large */
export async function makePicture(ask: PictureAsk): Promise<Attachment> {
  const { bytes, type, width, height } = (await asItIs(ask)) ?? (await drawnAnew(ask));
  if (bytes.length > LARGEST_PICTURE)
    throw new Error(`“${ask.name}” is larger than 60 MB, even at the size it has on the page.`);
  return {
    id: pictureName(bytes),
    name: ask.name.slice(0, 200),
    type,
    data: toBase64(bytes),
    width,
    height,
  };
}

/** Where not a pixel has to be changed it is not packed anew. */
async function asItIs(ask: PictureAsk): Promise<Kept | null> {
  const { bytes, head, wanted, part, withoutPaper: isBare } = ask;
  const { format, width, height, orientation } = head;
  if ((format !== 'jpeg' && format !== 'png') || orientation !== 1 || part || isBare) return null;
  if (wanted.width < width || wanted.height < height) return null;
  try {
    // Of others the browser makes what screens take; a copy would show them otherwise.
    if (!hasPlainColours(bytes, format)) return null;
    const kept = withoutMetadata(bytes, format);
    // One that is damaged within would be seen nowhere.
    (await unpacked(ask)).close();
    return { bytes: kept, type: `image/${format}`, width, height };
  } catch (e) {
    // Browsers show more than is well formed.
    if (e instanceof RangeError) return null;
    throw e;
  }
}

async function unpacked({ bytes, head, name }: PictureAsk): Promise<ImageBitmap> {
  const blob = new Blob([bytes as Uint8Array<ArrayBuffer>], { type: `image/${head.format}` });
  try {
    return await createImageBitmap(blob, { imageOrientation: 'from-image' });
  } catch (e) {
    throw new Error(`“${name}” is damaged and cannot be opened.`, { cause: e });
  }
}

async function drawnAnew(ask: PictureAsk): Promise<Kept> {
  const { head, wanted, part } = ask;
  const bitmap = await unpacked(ask);
  try {
    const { minX, minY, maxX, maxY } = part ?? { minX: 0, minY: 0, maxX: 1, maxY: 1 };
    const width = Math.max(1, Math.round(wanted.width * (maxX - minX)));
    const height = Math.max(1, Math.round(wanted.height * (maxY - minY)));
    const canvas = new OffscreenCanvas(width, height);
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('The browser has no room for the picture just now.');
    context.imageSmoothingQuality = 'high';
    const [w, h] = [bitmap.width, bitmap.height];
    const [across, down] = [(maxX - minX) * w, (maxY - minY) * h];
    context.drawImage(bitmap, minX * w, minY * h, across, down, 0, 0, width, height);
    if (ask.withoutPaper) {
      const pixels = context.getImageData(0, 0, width, height);
      withoutPaper(pixels.data, width, height);
      context.putImageData(pixels, 0, 0);
    }
    return { ...(await packed(canvas, context, head.format)), width, height };
  } finally {
    bitmap.close();
  }
}

/** Photographs as JPEG; what can be seen through, and what was kept without loss and is small so, as PNG. */
async function packed(
  canvas: OffscreenCanvas,
  context: OffscreenCanvasRenderingContext2D,
  format: PictureAsk['head']['format'],
): Promise<Pick<Kept, 'bytes' | 'type'>> {
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  const as = async (type: PictureType): Promise<Pick<Kept, 'bytes' | 'type'>> => {
    const blob = await canvas.convertToBlob({ type, quality: QUALITY });
    return { bytes: new Uint8Array(await blob.arrayBuffer()), type };
  };
  if (isSeenThrough(data)) return as('image/png');
  if (format === 'jpeg' || format === 'webp') return as('image/jpeg');
  const lossless = await as('image/png');
  return lossless.bytes.length <= LARGEST_LOSSLESS ? lossless : as('image/jpeg');
}

function isSeenThrough(data: Uint8ClampedArray): boolean {
  for (let k = 3; k < data.length; k += 4) if (data[k] < 255) return true;
  return false;
}

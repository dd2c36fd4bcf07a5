import { distance } from '@marginalis/core/geometry';
import {
  evenLight,
  findCorners,
  type Pixels,
  type Quad,
  sheetShape,
  straightened,
} from '@marginalis/core/photographed';
import type { Jobs } from './contract';

/** Pixels of the longer side that a photograph is worked on with at most: cameras give more than a page needs. */
const LARGEST = 4000;
/** A page has no more: 300 dots an inch of the longer side of A4. */
const LARGEST_PAGE = 3508;
const QUALITY = 0.85;

/** A photograph as it is to be seen, its camera held upright. @throws Error with a sentence for people */
async function pixelsOf(file: Blob, name: string, longer: number): Promise<Pixels> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch (e) {
    throw new Error(`“${name}” is damaged and cannot be opened.`, { cause: e });
  }
  try {
    const scale = Math.min(1, longer / Math.max(bitmap.width, bitmap.height));
    const [width, height] = [bitmap.width, bitmap.height].map((side) =>
      Math.max(2, Math.round(side * scale)),
    );
    const context = new OffscreenCanvas(width, height).getContext('2d');
    if (!context) throw new Error('The browser has no room for the photograph just now.');
    context.imageSmoothingQuality = 'high';
    context.drawImage(bitmap, 0, 0, width, height);
    return { width, height, data: context.getImageData(0, 0, width, height).data };
  } finally {
    bitmap.close();
  }
}

/** As shares of the sides of a picture, or of shares as places of it. */
const scaled = (quad: Quad, x: number, y: number): Quad =>
  quad.map((corner) => ({ x: corner.x * x, y: corner.y * y })) as unknown as Quad;

export async function findSheet({
  file,
  name,
}: Jobs['findSheet']['ask']): Promise<Jobs['findSheet']['answer']> {
  const pixels = await pixelsOf(file, name, LARGEST / 2);
  const quad = findCorners(pixels);
  const { width, height } = pixels;
  return { width, height, corners: quad && scaled(quad, 1 / width, 1 / height) };
}

export async function straightenSheet(
  { file, name, corners, isLightEvened }: Jobs['straighten']['ask'],
  onProgress: (done: number, all: number) => void,
): Promise<Jobs['straighten']['answer']> {
  const pixels = await pixelsOf(file, name, LARGEST);
  const { width, height } = pixels;
  const quad = scaled(corners, width, height);
  const shape = sheetShape(quad, { x: width / 2, y: height / 2 });
  const longest = Math.max(...quad.map((p, k) => distance(p, quad[(k + 1) % 4])));
  const longer = Math.min(LARGEST_PAGE, Math.max(2, Math.round(longest)));
  const size =
    shape < 1
      ? { width: Math.max(2, Math.round(longer * shape)), height: longer }
      : { width: longer, height: Math.max(2, Math.round(longer / shape)) };
  const sheet = straightened(pixels, quad, size, (done, all) => {
    if (done % 200 === 0) onProgress(done, all);
  });
  if (isLightEvened) evenLight(sheet);
  const canvas = new OffscreenCanvas(size.width, size.height);
  const data = sheet.data as Uint8ClampedArray<ArrayBuffer>;
  canvas.getContext('2d')?.putImageData(new ImageData(data, size.width, size.height), 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  return { bytes: new Uint8Array(await blob.arrayBuffer()), ...size };
}

import { boundsOf, layersFrom } from '@marginalis/core/derived';
import {
  displayMatrix,
  growBox,
  moveBy,
  type PageBox,
  thenMatrix,
  transformBox,
  uniteBoxes,
} from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { pageFiles, settleFiles } from './pageFiles';
import { paintDrawing } from './paintDrawing';

/** Pixels a point, and pixels along the longer side at most. */
const SCALE = 3;
const LARGEST = 4000;
/** Room around, points. */
const ROOM = 4;

/** What of a page a picture of marks shows, and how large it is. */
function pictureOf(marks: readonly Mark[], page: PageBox, largest = LARGEST) {
  const around = growBox(marks.map(boundsOf).reduce(uniteBoxes), ROOM);
  const seen = transformBox(displayMatrix(page), around);
  const [width, height] = [seen.maxX - seen.minX, seen.maxY - seen.minY];
  const scale = Math.min(SCALE, largest / Math.max(width, height));
  return { seen, scale, width: Math.ceil(width * scale), height: Math.ceil(height * scale) };
}

/** How many pixels {@link pictureOfMarks} has. */
export function pictureSize(
  marks: readonly Mark[],
  page: PageBox,
): { readonly width: number; readonly height: number } {
  const { width, height } = pictureOf(marks, page);
  return { width, height };
}

/** The marks as they are seen, on nothing, as a PNG. Throws when the browser makes no picture. */
export async function pictureOfMarks(
  marks: readonly Mark[],
  page: PageBox,
  largest = LARGEST,
): Promise<Blob> {
  const { seen, scale, width, height } = pictureOf(marks, page, largest);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const ctx = canvas.getContext('2d');
  if (!ctx) throw new Error('The browser gives no canvas.');
  const matrix = thenMatrix(
    displayMatrix(page, scale),
    moveBy({ x: -seen.minX * scale, y: -seen.minY * scale }),
  );
  const { beneath, over } = layersFrom([...marks].sort((a, b) => a.order - b.order));
  const drawing = await settleFiles([...beneath, ...over]);
  paintDrawing(ctx, drawing, matrix, pageFiles);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) =>
      blob ? resolve(blob) : reject(new Error('The picture was not made.')),
    ),
  );
}

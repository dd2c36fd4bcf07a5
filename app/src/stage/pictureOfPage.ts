import { coveredOn, layersFrom } from '@marginalis/core/derived';
import { inOrder, type Page, type PageMarks } from '@marginalis/core/document';
import { displayMatrix, displaySize } from '@marginalis/core/geometry';
import { whenIdle } from '@/work';
import { dataUrlOf } from './dataUrlOf';
import { pageFiles, settleFiles } from './pageFiles';
import { paintDrawing } from './paintDrawing';
import { PagePicture } from './pagePicture';
import { paperSourceOf, type SourcePages } from './paperSource';

const QUALITY = 0.82;

/** So many shapes are painted at a time, about a millisecond's: nobody's pen waits for this picture. */
const AT_A_TIME = 48;

/**
 * A page with its marks as it is seen, `width` pixels wide, as a data URL; null when the browser makes no picture, or its print
 * cannot be drawn, or nobody wants it any more. `print` is a picture of it without marks, where there is one already. Made while the browser has nothing else to do.
 */
export async function pictureOfPage(
  page: Page,
  marks: PageMarks,
  pictures: SourcePages,
  width: number,
  { print, signal }: { readonly print?: CanvasImageSource; readonly signal?: AbortSignal } = {},
): Promise<string | null> {
  const size = displaySize(page);
  const scale = width / size.width;
  const height = Math.max(1, Math.round(size.height * scale));
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const ctx = canvas.getContext('2d', { willReadFrequently: true });
  if (!ctx) return null;
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(0, 0, width, height);
  const paper = print ?? (await printOf(page, marks, pictures, scale, width, height, signal));
  if (!paper || signal?.aborted) return null;
  ctx.drawImage(paper, 0, 0, width, height);
  const { beneath, over } = layersFrom(inOrder(marks));
  const drawing = await settleFiles([...beneath, ...over]);
  for (let i = 0; i < drawing.length; i += AT_A_TIME) {
    await new Promise<void>(whenIdle);
    if (signal?.aborted) return null;
    paintDrawing(ctx, drawing.slice(i, i + AT_A_TIME), displayMatrix(page, scale), pageFiles);
    // Browsers put painting off until somebody looks.
    ctx.getImageData(0, 0, 1, 1);
  }
  return packed(canvas);
}

/** Compressed beside the main thread. */
async function packed(canvas: HTMLCanvasElement): Promise<string | null> {
  const blob = await new Promise<Blob | null>((resolve) =>
    canvas.toBlob(resolve, 'image/jpeg', QUALITY),
  );
  return blob && dataUrlOf(blob);
}

/** Draws the print of a page, after whatever the person is looking at. */
function printOf(
  page: Page,
  marks: PageMarks,
  pictures: SourcePages,
  scale: number,
  width: number,
  height: number,
  signal?: AbortSignal,
): Promise<HTMLCanvasElement | null> {
  const tile = { key: 'whole', x: 0, y: 0, width, height };
  const job = paperSourceOf(page, pictures, () => [...coveredOn(marks).values()]).request(
    new PagePicture(page, scale),
    tile,
    () => Number.MAX_SAFE_INTEGER,
  );
  signal?.addEventListener('abort', () => job.drop());
  return job.picture;
}

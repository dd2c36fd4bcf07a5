import { type Canvas, createCanvas, GlobalFonts, ImageData } from '@napi-rs/canvas';
import { type OpenPages, wholePage } from '@marginalis/core/pdfium';

/** Pixels a picture has at most. */
const MOST_PIXELS = 12e6;
/** How faithful a JPEG is, 0–100. */
const QUALITY = 90;

/** What names are written with; the first that has a letter is taken. */
const FAMILIES = ['Noto Sans', 'Noto Naskh Arabic', 'Noto Sans Hebrew', 'Noto Sans Devanagari'];
/** Grey enough to be read on white and on black, and to be read through. */
const WRITTEN = 'rgba(120, 120, 120, 0.22)';
/** Slope of what is written over a page, radians. */
const SLOPE = -Math.PI / 7;

/** @throws Error when a font file cannot be read */
export function takeFonts(files: readonly string[]): void {
  for (const file of files)
    if (!GlobalFonts.registerFromPath(file)) throw new Error(`The font ${file} cannot be used.`);
}

/** A page as a JPEG file, with `written` over it. @throws RangeError when there is no room for it */
export function drawnPage(
  open: OpenPages,
  index: number,
  wanted: number,
  written: string,
): Uint8Array {
  const raster = open.page(index, (page) => {
    const { width, height } = sizeOfPicture(page.size, wanted);
    return page.draw(wholePage(width, height));
  });
  if (!raster) throw new RangeError(`Page ${index + 1} cannot be drawn.`);
  const canvas = createCanvas(raster.width, raster.height);
  const data = raster.data as Uint8ClampedArray<ArrayBuffer>;
  canvas.getContext('2d').putImageData(new ImageData(data, raster.width, raster.height), 0, 0);
  if (written) writeOver(canvas, written);
  // At once: it has a process of its own, and nothing else to do meanwhile.
  return canvas.encodeSync('jpeg', QUALITY);
}

function sizeOfPicture(
  page: { readonly width: number; readonly height: number },
  wanted: number,
): { width: number; height: number } {
  const scale = Math.min(wanted / page.width, Math.sqrt(MOST_PIXELS / (page.width * page.height)));
  const whole = (side: number): number => Math.max(1, Math.round(side * scale));
  return { width: whole(page.width), height: whole(page.height) };
}

/** Again and again, in rows that are set off from each other, so that no part of the page is without it. */
function writeOver(canvas: Canvas, text: string): void {
  const { width, height } = canvas;
  const ctx = canvas.getContext('2d');
  const size = Math.max(9, Math.min(width, height) / 36);
  ctx.font = `${size}px ${FAMILIES.map((f) => `"${f}"`).join(', ')}`;
  ctx.fillStyle = WRITTEN;
  ctx.translate(width / 2, height / 2);
  ctx.rotate(SLOPE);
  const step = ctx.measureText(text).width + 3 * size;
  const reach = Math.hypot(width, height) / 2;
  const row = 7 * size;
  for (let k = Math.floor(-reach / row); k * row < reach; k++)
    for (let x = -reach - ((k & 1) * step) / 2; x < reach; x += step)
      ctx.fillText(text, x, k * row);
}

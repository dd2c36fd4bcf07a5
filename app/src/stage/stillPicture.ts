import { dropCanvas } from './pagePicture';

/**
 * The same picture on a canvas that only shows it. One that can be drawn on is copied to the screen again whenever
 * anything of the page changes. The canvas given is used up.
 */
export async function stillPicture(canvas: HTMLCanvasElement): Promise<HTMLCanvasElement> {
  const still = document.createElement('canvas');
  const shown = still.getContext('bitmaprenderer');
  if (!shown) return canvas;
  still.width = canvas.width;
  still.height = canvas.height;
  shown.transferFromImageBitmap(await createImageBitmap(canvas));
  dropCanvas(canvas);
  return still;
}

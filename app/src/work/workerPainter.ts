import type { CopyFonts } from '@marginalis/core/copy';
import { canvasPainter, type PixelKit, type ProofPainter } from '@marginalis/core/proof';

const kit: PixelKit<OffscreenCanvasRenderingContext2D> = {
  path: () => new Path2D(),
  canvas(width, height) {
    const canvas = new OffscreenCanvas(width, height);
    const ctx = canvas.getContext('2d', { willReadFrequently: true });
    return ctx && { image: canvas, ctx, drop: () => (canvas.width = canvas.height = 1) };
  },
  imageData: (width, height) => new ImageData(width, height),
};

/** The screen's painter in a worker. @throws Error where the browser has no canvases there */
export function workerPainter(
  fonts: CopyFonts,
  picture: (source: string) => Promise<ImageBitmap | null>,
): ProofPainter {
  if (typeof OffscreenCanvas === 'undefined')
    throw new Error('This browser cannot draw beside its window.');
  return canvasPainter(kit, { fonts, picture });
}

import {
  type Canvas2d,
  type CanvasKit,
  type DrawingFiles,
  drawingPainter,
  pixelsTouched,
} from '../canvas/index.ts';
import type { Drawing } from '../drawing/index.ts';
import { type Box, boxHeight, boxWidth, thenMatrix } from '../geometry/index.ts';
import type { Raster } from '../pdfium/index.ts';
import { meetingItems } from './meetingItems.ts';
import type { ProofPainter } from './painter.ts';

/** A 2D context whose pixels can be read and written. */
export interface PixelContext extends Canvas2d {
  putImageData(image: unknown, x: number, y: number): void;
  getImageData(
    x: number,
    y: number,
    width: number,
    height: number,
  ): { readonly data: Uint8ClampedArray };
}

export interface PixelKit<Context extends PixelContext> extends CanvasKit<Context> {
  /** Pixels as `putImageData` takes them, to be filled. */
  imageData(width: number, height: number): { readonly data: Uint8ClampedArray };
}

/** What drawings refer to: faces, and pictures by their names, decoded; null where there is no such picture. */
export interface PainterFiles {
  readonly fonts: NonNullable<DrawingFiles['fonts']>;
  readonly picture: (source: string) => Promise<unknown>;
}

/** What is so near each other is painted at once, pixels. */
const NEAR = 16;

/** Paints with the screen's own painter on a kind of canvas. */
export function canvasPainter<Context extends PixelContext>(
  kit: PixelKit<Context>,
  { fonts, picture }: PainterFiles,
): ProofPainter {
  const paintDrawing = drawingPainter(kit, { seamless: true });
  const pictures = new Map<string, unknown>();
  return {
    async paint(ground, drawing, matrix) {
      for (const source of picturesIn(drawing))
        if (!pictures.has(source)) pictures.set(source, await picture(source));
      const { width, height } = ground;
      const whole: Raster =
        'data' in ground
          ? ground
          : { width, height, data: new Uint8ClampedArray(4 * width * height) };
      const files = { fonts, picture: (source: string) => pictures.get(source) ?? null };
      // Part by part: moving the pixels of a whole page to a canvas and back takes longer than painting.
      for (const { items, box } of meetingItems(drawing, matrix, NEAR)) {
        const touched = pixelsTouched(box, ground);
        if (!touched) continue;
        const [across, down] = [boxWidth(touched), boxHeight(touched)];
        const canvas = kit.canvas(across, down);
        if (!canvas) throw new RangeError(`There is no room for ${across} × ${down} pixels.`);
        const { ctx } = canvas;
        const { minX, minY } = touched;
        if ('data' in ground) ctx.putImageData(cutOut(kit, ground, touched), 0, 0);
        paintDrawing(ctx, items, thenMatrix(matrix, [1, 0, 0, 1, -minX, -minY]), files);
        putBack(ctx.getImageData(0, 0, across, down), whole, touched);
        canvas.drop();
      }
      return whole;
    },
  };
}

const picturesIn = (drawing: Drawing): string[] =>
  drawing.flatMap((item) =>
    item.is === 'picture' ? [item.source] : item.is === 'group' ? picturesIn(item.items) : [],
  );

function cutOut(
  kit: { imageData(width: number, height: number): { readonly data: Uint8ClampedArray } },
  { data, width }: Raster,
  touched: Box,
): unknown {
  const across = boxWidth(touched);
  const image = kit.imageData(across, boxHeight(touched));
  for (let y = touched.minY; y < touched.maxY; y++) {
    const from = 4 * (y * width + touched.minX);
    image.data.set(data.subarray(from, from + 4 * across), 4 * across * (y - touched.minY));
  }
  return image;
}

function putBack(
  { data }: { readonly data: Uint8ClampedArray },
  whole: Raster,
  touched: Box,
): void {
  const across = boxWidth(touched);
  for (let y = touched.minY; y < touched.maxY; y++) {
    const from = 4 * across * (y - touched.minY);
    whole.data.set(data.subarray(from, from + 4 * across), 4 * (y * whole.width + touched.minX));
  }
}

import {
  type Canvas2d,
  type CanvasKit,
  type DrawingFiles,
  drawingPainter,
} from '../canvas/index.ts';
import type { Drawing } from '../drawing/index.ts';
import type { Raster } from '../pdfium/index.ts';
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
  /** A raster as `putImageData` takes it. */
  imageData(raster: Raster): unknown;
}

/** What drawings refer to: faces, and pictures by their names, decoded; null where there is no such picture. */
export interface PainterFiles {
  readonly fonts: NonNullable<DrawingFiles['fonts']>;
  readonly picture: (source: string) => Promise<unknown>;
}

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
      const canvas = kit.canvas(width, height);
      if (!canvas) throw new RangeError(`There is no room for ${width} × ${height} pixels.`);
      const { ctx } = canvas;
      if ('data' in ground) ctx.putImageData(kit.imageData(ground), 0, 0);
      paintDrawing(ctx, drawing, matrix, {
        fonts,
        picture: (source) => pictures.get(source) ?? null,
      });
      const { data } = ctx.getImageData(0, 0, width, height);
      canvas.drop();
      return { width, height, data };
    },
  };
}

const picturesIn = (drawing: Drawing): string[] =>
  drawing.flatMap((item) =>
    item.is === 'picture' ? [item.source] : item.is === 'group' ? picturesIn(item.items) : [],
  );

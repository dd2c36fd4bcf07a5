import { type DrawingFiles, drawingPainter } from '@marginalis/core/canvas';

export type { DrawingFiles };

/** Paints a drawing on a canvas of the window, under a matrix from user space to its pixels. */
export const paintDrawing = drawingPainter<CanvasRenderingContext2D>({
  path: () => new Path2D(),
  canvas(width, height) {
    const canvas = document.createElement('canvas');
    canvas.width = width;
    canvas.height = height;
    const ctx = canvas.getContext('2d');
    return ctx && { image: canvas, ctx, drop: () => (canvas.width = canvas.height = 0) };
  },
});

import type { Drawing } from '../drawing/index.ts';
import type { Matrix } from '../geometry/index.ts';
import type { Raster } from '../pdfium/index.ts';

/** Paints as the screen does. */
export interface ProofPainter {
  /** Paints a drawing, its text in glyphs, over a picture, which it changes, or over nothing; `matrix` leads from user space to its pixels. */
  paint(
    ground: Raster | { readonly width: number; readonly height: number },
    drawing: Drawing,
    matrix: Matrix,
  ): Promise<Raster>;
}

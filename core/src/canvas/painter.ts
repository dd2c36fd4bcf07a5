import {
  type Blend,
  type BlockSetter,
  type Drawing,
  type Group,
  type Item,
  oneShape,
  setDrawing,
} from '../drawing/index.ts';
import {
  boxHeight,
  boxWidth,
  drawPathInto,
  type Matrix,
  type Path,
  thenMatrix,
} from '../geometry/index.ts';
import type { Face, FaceName, GlyphRun } from '../type/index.ts';
import type { Canvas2d, CanvasKit, CanvasPath } from './canvas.ts';
import { pixelsTouched, touchedBy } from './pixelsTouched.ts';

/** What drawings refer to and a canvas needs at hand. What is not there yet is left out; it comes with the next painting. */
export interface DrawingFiles {
  /** Of text that is not in glyphs yet the setter makes them. */
  readonly fonts?: {
    face(name: FaceName): Face | null;
    readonly setBlock?: BlockSetter;
  };
  readonly picture?: (source: string) => unknown;
}

/**
 * Paints a drawing under `matrix` (from user space to the canvas). Leaves opacity and blending as they are at first;
 * the transformation is whatever it was last.
 */
export type PaintDrawing<Context extends Canvas2d> = (
  ctx: Context,
  drawing: Drawing,
  matrix: Matrix,
  files?: DrawingFiles,
) => void;

const compositeOf = (blend: Blend = 'normal'): string =>
  blend === 'multiply' ? 'multiply' : 'source-over';

/**
 * The painter of a kind of canvas. It keeps the paths it has painted, as long as they live. With `seamless` every group is
 * painted apart: where outlines of one shape cross, canvases leave a pale seam, which costs less than another canvas.
 */
export function drawingPainter<Context extends Canvas2d>(
  kit: CanvasKit<Context>,
  { seamless = false }: { readonly seamless?: boolean } = {},
): PaintDrawing<Context> {
  const paths = new WeakMap<Path, CanvasPath>();

  function keptPath(path: Path): CanvasPath {
    let known = paths.get(path);
    if (!known) {
      known = kit.path();
      drawPathInto(known, path);
      paths.set(path, known);
    }
    return known;
  }

  const paintDrawing: PaintDrawing<Context> = (ctx, drawing, matrix, files = {}) => {
    ctx.setTransform(...matrix);
    for (const item of drawing) paintItem(ctx, item, matrix, files);
    ctx.globalAlpha = 1;
    ctx.globalCompositeOperation = 'source-over';
  };

  function paintItem(ctx: Context, item: Item, matrix: Matrix, files: DrawingFiles): void {
    switch (item.is) {
      case 'fill':
        ctx.fillStyle = item.paint.colour;
        ctx.globalAlpha = item.paint.opacity;
        ctx.globalCompositeOperation = compositeOf(item.paint.blend);
        return ctx.fill(keptPath(item.path));
      case 'glyphs':
        ctx.fillStyle = item.paint.colour;
        ctx.globalAlpha = item.paint.opacity;
        ctx.globalCompositeOperation = compositeOf(item.paint.blend);
        return paintRun(ctx, item.run, matrix, files);
      case 'text': {
        const setter = files.fonts?.setBlock;
        if (!setter) return;
        for (const set of setDrawing([item], setter)) paintItem(ctx, set, matrix, files);
        return;
      }
      case 'picture': {
        const picture = files.picture?.(item.source);
        if (!picture) return;
        ctx.save();
        ctx.globalAlpha = item.opacity;
        // Made small without, every other row would be left out.
        ctx.imageSmoothingQuality = 'high';
        // Pictures have their first row on top.
        ctx.setTransform(...thenMatrix([1, 0, 0, -1, 0, 1], thenMatrix(item.place, matrix)));
        ctx.drawImage(picture, 0, 0, 1, 1);
        ctx.restore();
        return;
      }
      case 'group':
        return paintGroup(ctx, item, matrix, files);
    }
  }

  function paintRun(ctx: Context, run: GlyphRun, matrix: Matrix, { fonts }: DrawingFiles): void {
    const face = fonts?.face(run.face);
    if (!face) return;
    const place = thenMatrix(run.place, matrix);
    for (const { id, x, y } of run.glyphs) {
      ctx.setTransform(...thenMatrix([run.size, 0, 0, run.size, x, y], place));
      ctx.fill(keptPath(face.outlineOf(id)));
    }
    ctx.setTransform(...matrix);
  }

  function paintGroup(
    ctx: Context,
    { items, clip, opacity = 1, blend = 'normal', says, layered }: Group,
    matrix: Matrix,
    files: DrawingFiles,
  ): void {
    // What is together only because it says something needs no canvas.
    if (says && !clip && opacity === 1 && blend === 'normal') {
      for (const item of items) paintItem(ctx, item, matrix, files);
      return;
    }
    ctx.save();
    if (clip) ctx.clip(keptPath(clip));
    const shape = layered || (seamless && items.length > 1) ? null : oneShape(items);
    ctx.globalAlpha = opacity;
    ctx.globalCompositeOperation = compositeOf(blend);
    if (shape) {
      const whole = kit.path();
      for (const path of shape.paths) whole.addPath(keptPath(path));
      ctx.fillStyle = shape.colour;
      ctx.fill(whole);
    } else {
      const pixels = pixelsTouched(touchedBy(items, matrix), ctx.canvas);
      const apart = pixels && kit.canvas(boxWidth(pixels), boxHeight(pixels));
      if (apart) {
        const { minX, minY } = pixels;
        paintDrawing(apart.ctx, items, thenMatrix(matrix, [1, 0, 0, 1, -minX, -minY]), files);
        ctx.setTransform(1, 0, 0, 1, 0, 0);
        ctx.drawImage(apart.image, minX, minY);
        apart.drop();
      }
    }
    ctx.restore();
  }

  return paintDrawing;
}

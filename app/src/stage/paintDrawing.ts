import {
  type Blend,
  type Drawing,
  type Group,
  type Item,
  oneShape,
  setDrawing,
} from '@marginalis/core/drawing';
import { drawPathInto, type Matrix, type Path, thenMatrix } from '@marginalis/core/geometry';
import type { GlyphRun } from '@marginalis/core/type';
import type { SettingFonts } from './LoadedFonts';

/** What drawings refer to and a canvas needs at hand. What is not there yet is left out; it comes with the next painting. */
export interface DrawingFiles {
  readonly fonts?: SettingFonts;
  readonly picture?: (source: string) => CanvasImageSource | null;
}

const paths = new WeakMap<Path, Path2D>();

/** A path as the canvas keeps it; as long as the path. */
function path2dOf(path: Path): Path2D {
  let known = paths.get(path);
  if (!known) {
    known = new Path2D();
    drawPathInto(known, path);
    paths.set(path, known);
  }
  return known;
}

/**
 * Paints a drawing under `matrix` (from user space to the canvas). Leaves opacity and blending as they are at first;
 * the transformation is whatever it was last.
 */
export function paintDrawing(
  ctx: CanvasRenderingContext2D,
  drawing: Drawing,
  matrix: Matrix,
  files: DrawingFiles = {},
): void {
  ctx.setTransform(...matrix);
  for (const item of drawing) paintItem(ctx, item, matrix, files);
  ctx.globalAlpha = 1;
  ctx.globalCompositeOperation = 'source-over';
}

const compositeOf = (blend: Blend = 'normal'): GlobalCompositeOperation =>
  blend === 'multiply' ? 'multiply' : 'source-over';

function paintItem(
  ctx: CanvasRenderingContext2D,
  item: Item,
  matrix: Matrix,
  files: DrawingFiles,
): void {
  switch (item.is) {
    case 'fill':
      ctx.fillStyle = item.paint.colour;
      ctx.globalAlpha = item.paint.opacity;
      ctx.globalCompositeOperation = compositeOf(item.paint.blend);
      return ctx.fill(path2dOf(item.path));
    case 'glyphs':
      ctx.fillStyle = item.paint.colour;
      ctx.globalAlpha = item.paint.opacity;
      ctx.globalCompositeOperation = compositeOf(item.paint.blend);
      return paintRun(ctx, item.run, matrix, files);
    case 'text': {
      const { fonts } = files;
      if (!fonts) return;
      for (const set of setDrawing([item], fonts.setBlock)) paintItem(ctx, set, matrix, files);
      return;
    }
    case 'picture': {
      const picture = files.picture?.(item.source);
      if (!picture) return;
      ctx.save();
      ctx.globalAlpha = item.opacity;
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

function paintRun(
  ctx: CanvasRenderingContext2D,
  run: GlyphRun,
  matrix: Matrix,
  { fonts }: DrawingFiles,
): void {
  const face = fonts?.face(run.face);
  if (!face) return;
  const place = thenMatrix(run.place, matrix);
  for (const { id, x, y } of run.glyphs) {
    ctx.setTransform(...thenMatrix([run.size, 0, 0, run.size, x, y], place));
    ctx.fill(path2dOf(face.outlineOf(id)));
  }
  ctx.setTransform(...matrix);
}

function paintGroup(
  ctx: CanvasRenderingContext2D,
  { items, clip, opacity = 1, blend = 'normal' }: Group,
  matrix: Matrix,
  files: DrawingFiles,
): void {
  ctx.save();
  if (clip) ctx.clip(path2dOf(clip));
  const shape = oneShape(items);
  ctx.globalAlpha = opacity;
  ctx.globalCompositeOperation = compositeOf(blend);
  if (shape) {
    const whole = new Path2D();
    for (const path of shape.paths) whole.addPath(path2dOf(path));
    ctx.fillStyle = shape.colour;
    ctx.fill(whole);
  } else {
    const apart = document.createElement('canvas');
    apart.width = ctx.canvas.width;
    apart.height = ctx.canvas.height;
    const inner = apart.getContext('2d');
    if (inner) {
      paintDrawing(inner, items, matrix, files);
      ctx.setTransform(1, 0, 0, 1, 0, 0);
      ctx.drawImage(apart, 0, 0);
    }
    apart.width = apart.height = 0;
  }
  ctx.restore();
}

import { createCanvas, Path2D as NodePath2D } from '@napi-rs/canvas';
import { type DrawingFiles, paintDrawing } from '../../app/src/stage/paintDrawing';
import type { Drawing } from '../../core/src/drawing';
import type { Matrix } from '../../core/src/geometry';
import type { Picture } from './pictures';

/** A drawing on a sheet (points), as the screen paints it, on white. */
export function paintedOnScreen(
  items: Drawing,
  sheet: { readonly width: number; readonly height: number; readonly dpi: number },
  files: DrawingFiles,
): Picture {
  const scale = sheet.dpi / 72;
  const canvas = createCanvas(sheet.width * scale, sheet.height * scale);
  Object.assign(globalThis, {
    Path2D: NodePath2D,
    document: { createElement: () => createCanvas(1, 1) },
  });
  const ctx = canvas.getContext('2d');
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(0, 0, canvas.width, canvas.height);
  const matrix: Matrix = [scale, 0, 0, -scale, 0, sheet.height * scale];
  ctx.imageSmoothingEnabled = false;
  paintDrawing(ctx as never, items, matrix, files);
  const { width, height } = canvas;
  return { width, height, data: new Uint8Array(ctx.getImageData(0, 0, width, height).data) };
}

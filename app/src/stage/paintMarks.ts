import { insideOfMark, type MarkLayers, outlineOf } from '@marginalis/core/derived';
import { drawPathInto, type Matrix } from '@marginalis/core/geometry';
import type { Mark, MarkId } from '@marginalis/core/marks';

const paths = new WeakMap<Mark, Path2D>();

function pathOf(mark: Mark): Path2D {
  let path = paths.get(mark);
  if (!path) {
    path = new Path2D();
    drawPathInto(path, outlineOf(mark));
    paths.set(mark, path);
  }
  return path;
}

/** How much is left to see of a mark that the eraser would take. */
const DOOMED = 0.18;

export interface PaintJob {
  readonly layers: MarkLayers;
  /** Marks the eraser touched, shown faintly until the pen is lifted. */
  readonly doomed: ReadonlySet<MarkId>;
  /** From user space to the canvas. */
  readonly matrix: Matrix;
}

/** The layer that is multiplied onto the page: each highlighter's strokes as one shape. */
export function paintHighlights(
  ctx: CanvasRenderingContext2D,
  { layers, doomed, matrix }: PaintJob,
): void {
  ctx.setTransform(...matrix);
  ctx.globalCompositeOperation = 'multiply';
  for (const { style, marks: group } of layers.highlights) {
    const shown = new Path2D();
    const faint = new Path2D();
    for (const mark of group) (doomed.has(mark.id) ? faint : shown).addPath(pathOf(mark));
    ctx.fillStyle = style.colour;
    ctx.globalAlpha = style.opacity;
    ctx.fill(shown);
    ctx.globalAlpha = style.opacity * DOOMED;
    ctx.fill(faint);
  }
  ctx.globalCompositeOperation = 'source-over';
  ctx.globalAlpha = 1;
}

/** Everything that lies over the page. */
export function paintOver(
  ctx: CanvasRenderingContext2D,
  { layers, doomed, matrix }: PaintJob,
): void {
  paintInto(ctx, layers.over, doomed, matrix);
}

/** Paints marks one over the other. */
export function paintInto(
  ctx: CanvasRenderingContext2D,
  marks: readonly Mark[],
  doomed: ReadonlySet<MarkId>,
  matrix: Matrix,
): void {
  ctx.setTransform(...matrix);
  for (const mark of marks) {
    const alpha = mark.style.opacity * (doomed.has(mark.id) ? DOOMED : 1);
    const inside = insideOfMark(mark);
    if (inside && mark.kind === 'figure' && mark.fill) {
      ctx.fillStyle = mark.fill.colour;
      ctx.globalAlpha = alpha * mark.fill.opacity;
      ctx.beginPath();
      drawPathInto(ctx, inside);
      ctx.fill();
    }
    ctx.fillStyle = mark.style.colour;
    ctx.globalAlpha = alpha;
    ctx.fill(pathOf(mark));
  }
  ctx.globalAlpha = 1;
}

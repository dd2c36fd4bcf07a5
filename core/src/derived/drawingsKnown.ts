import type { DocState } from '../document/index.ts';
import type { Drawing } from '../drawing/index.ts';
import type { MarkId } from '../marks/index.ts';
import { drawingKnown, keepDrawing } from './drawingOf.ts';

/**
 * How the marks of a document are drawn, as far as that was worked out: another thread is given it with the document
 * (`keepDrawings`), since marks that are sent there come without it.
 */
export function drawingsKnown({ marks }: DocState): ReadonlyMap<MarkId, Drawing> {
  const drawings = new Map<MarkId, Drawing>();
  for (const page of marks.values())
    for (const mark of page.values()) {
      const drawing = drawingKnown(mark);
      if (drawing) drawings.set(mark.id, drawing);
    }
  return drawings;
}

/** Takes what was worked out of the same marks in another thread. */
export function keepDrawings({ marks }: DocState, drawings: ReadonlyMap<MarkId, Drawing>): void {
  for (const page of marks.values())
    for (const mark of page.values()) {
      const drawing = drawings.get(mark.id);
      if (drawing) keepDrawing(mark, drawing);
    }
}

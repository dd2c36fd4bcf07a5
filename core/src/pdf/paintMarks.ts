import type { PDFContext } from '@cantoo/pdf-lib';
import { insideOfMark, layersOf, outlineOf } from '../derived/index.ts';
import type { PageMarks } from '../document/index.ts';
import type { Box, Path } from '../geometry/index.ts';
import { type Deflate, Layer } from './layer.ts';
import { fillColour, GRID_MATRIX } from './operators.ts';

/** Writes a page's marks into `layer`, in user space, as the screen shows them. */
export async function paintMarksInto(
  layer: Layer,
  marks: PageMarks,
  page: { readonly context: PDFContext; readonly bbox: Box; readonly deflate: Deflate | undefined },
): Promise<void> {
  const { highlights, over } = layersOf(marks);
  for (const { style, marks: group } of highlights) {
    // An isolated group, drawn once: strokes of one highlighter never darken each other.
    const inner = new Layer(page.context);
    inner.write(`${GRID_MATRIX}\n${fillColour(style.colour)}`);
    for (const mark of group) inner.fill(outlineOf(mark));
    const form = await inner.finish(page.bbox, page.deflate, true);
    layer.draw(form, `/${layer.stateName(style.opacity, 'Multiply')} gs`);
  }
  if (over.length === 0) return;
  layer.write(`q ${GRID_MATRIX}`);
  let opacity = 1;
  let colour = '';
  const paint = (path: Path, look: { colour: string; opacity: number }): void => {
    if (look.opacity !== opacity) {
      opacity = look.opacity;
      layer.write(`/${layer.stateName(opacity, 'Normal')} gs`);
    }
    if (look.colour !== colour) {
      colour = look.colour;
      layer.write(fillColour(colour));
    }
    layer.fill(path);
  };
  for (const mark of over) {
    const inside = insideOfMark(mark);
    if (inside && mark.kind === 'figure' && mark.fill)
      paint(inside, { ...mark.fill, opacity: mark.fill.opacity * mark.style.opacity });
    paint(outlineOf(mark), mark.style);
  }
  layer.write('Q');
}

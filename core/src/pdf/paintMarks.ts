import type { PDFContext } from '@cantoo/pdf-lib';
import { layersOf, outlineOf } from '../derived/index.ts';
import type { PageMarks } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
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
  for (const mark of over) {
    if (mark.style.opacity !== opacity) {
      opacity = mark.style.opacity;
      layer.write(`/${layer.stateName(opacity, 'Normal')} gs`);
    }
    if (mark.style.colour !== colour) {
      colour = mark.style.colour;
      layer.write(fillColour(colour));
    }
    layer.fill(outlineOf(mark));
  }
  layer.write('Q');
}

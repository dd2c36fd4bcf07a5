import type { PDFContext, PDFRef } from '@cantoo/pdf-lib';
import { type Drawing, type Item, oneShape } from '../../drawing/index.ts';
import { type Box, joinPaths } from '../../geometry/index.ts';
import { type Deflate, encodeForm } from './formWriter.ts';
import { type Holdings, registerForm } from './registerForm.ts';

/**
 * What is multiplied as one shape is filled at once, without a group: two renderers take a group within an appearance for
 * isolated, and what is multiplied inside it then hides the words beneath.
 */
function opened(item: Item): Item {
  if (item.is !== 'group' || item.clip || item.blend !== 'multiply') return item;
  const shape = oneShape(item.items);
  if (!shape) return item;
  const paint = { colour: shape.colour, opacity: item.opacity ?? 1, blend: 'multiply' } as const;
  return { is: 'fill', path: joinPaths(shape.paths), paint };
}

/** Puts a drawing into a document as an annotation's normal appearance (ISO 32000-1 §12.5.5); `bbox` is its Rect. */
export async function registerAppearance(
  context: PDFContext,
  drawing: Drawing,
  bbox: Box,
  holdings: Holdings,
  deflate?: Deflate,
): Promise<PDFRef> {
  const form = await encodeForm(drawing.map(opened), deflate);
  return registerForm(context, form, bbox, holdings);
}

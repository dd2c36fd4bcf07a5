import { PDFArray, PDFDict, PDFName, type PDFPage, PDFRef } from '@cantoo/pdf-lib';
import { disarm } from '../actions.ts';
import type { Layer } from '../layer.ts';
import { pdfNumber } from '../operators.ts';
import { appearanceOf } from './appearance.ts';
import { drawWithoutAppearance } from './drawn.ts';
import { isShown, subtypeOf } from './read.ts';
import { isLayerShown } from './optionalContent.ts';

/** What became of a page's annotations. */
export interface FlattenedAnnotations {
  readonly drawn: number;
  /** Kinds that were shown nowhere on the page and are gone from the copy, such as sounds. */
  readonly dropped: readonly string[];
  /** Links that would start a program, run a script or open another file. */
  readonly linksDropped: number;
}

/** Kinds that stay: links work in the copy as in the source, unless they start something. */
const KEPT = new Set(['Link']);
/** Kinds that are a window of another annotation, not a thing on the page. */
const WINDOWS = new Set(['Popup']);

/** Draws a page's annotations and form fields into `layer` and takes them off the page; links stay. */
export function flattenAnnotations(page: PDFPage, layer: Layer): FlattenedAnnotations {
  const { context } = page.doc;
  const list = page.node.lookup(PDFName.of('Annots'));
  if (!(list instanceof PDFArray)) return { drawn: 0, dropped: [], linksDropped: 0 };
  const kept: (PDFRef | PDFDict)[] = [];
  const dropped: string[] = [];
  let drawn = 0;
  let linksDropped = 0;
  for (let i = 0; i < list.size(); i++) {
    const entry = list.get(i);
    const annotation = list.lookup(i);
    if (!(annotation instanceof PDFDict)) continue;
    const subtype = subtypeOf(annotation);
    if (KEPT.has(subtype)) {
      if (disarm(annotation)) kept.push(entry as PDFRef | PDFDict);
      else linksDropped++;
      continue;
    }
    if (entry instanceof PDFRef) context.delete(entry);
    if (WINDOWS.has(subtype) || !isShown(annotation) || !isLayerShown(annotation, page.doc))
      continue;
    const appearance = appearanceOf(annotation, context);
    if (appearance) layer.draw(appearance.form, `${appearance.place.map(pdfNumber).join(' ')} cm`);
    else if (!drawWithoutAppearance(layer, annotation)) {
      if (subtype !== 'Widget') dropped.push(subtype);
      continue;
    }
    drawn++;
  }
  if (kept.length > 0) page.node.set(PDFName.of('Annots'), context.obj(kept));
  else page.node.delete(PDFName.of('Annots'));
  return { drawn, dropped, linksDropped };
}

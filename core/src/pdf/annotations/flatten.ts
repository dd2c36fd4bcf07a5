import { PDFArray, PDFDict, PDFName, type PDFPage, PDFRef } from '@cantoo/pdf-lib';
import type { Covered } from '../../kinds/index.ts';
import { disarm } from '../actions.ts';
import type { Layer } from '../sink/layer.ts';
import { pdfNumber } from '../sink/operators.ts';
import { appearanceOf } from './appearance.ts';
import { drawWithoutAppearance } from './drawn.ts';
import { isShown, subtypeOf } from './read.ts';
import { isLayerShown } from './optionalContent.ts';

/** What became of a page's annotations. */
export interface FlattenedAnnotations {
  readonly drawn: number;
  /** Kinds that were shown nowhere on the page and are gone from the copy, such as sounds. */
  readonly dropped: readonly string[];
  /** What links led to that would start a program, run a script or open another file, in words. */
  readonly linksDropped: readonly string[];
}

/** Kinds that stay: links work in the copy as in the source, unless they start something. */
const KEPT = new Set(['Link']);
/** Kinds that are a window of another annotation, not a thing on the page. */
const WINDOWS = new Set(['Popup']);
/** What is told of an annotation that does not say what it is. */
const NAMELESS = 'something without a kind';

/**
 * Draws a page's annotations and form fields into `layer` and takes them off the page; links stay. Relative
 * addresses stand on `base`; what is `covered` by marks is left out, or drawn in the state it is switched to.
 */
export function flattenAnnotations(
  page: PDFPage,
  layer: Layer,
  base = '',
  covered: readonly Covered[] = [],
): FlattenedAnnotations {
  const { context } = page.doc;
  const list = page.node.lookup(PDFName.of('Annots'));
  if (!(list instanceof PDFArray)) return { drawn: 0, dropped: [], linksDropped: [] };
  const kept: (PDFRef | PDFDict)[] = [];
  const dropped: string[] = [];
  const linksDropped: string[] = [];
  const states = new Map(covered.map(({ index, state }) => [index, state]));
  let drawn = 0;
  for (let i = 0; i < list.size(); i++) {
    const entry = list.get(i);
    const annotation = list.lookup(i);
    if (!(annotation instanceof PDFDict)) continue;
    const subtype = subtypeOf(annotation);
    if (KEPT.has(subtype)) {
      const { leads, lost } = disarm(annotation, base);
      if (leads) kept.push(entry as PDFRef | PDFDict);
      else if (entry instanceof PDFRef) context.delete(entry);
      if (lost !== null) linksDropped.push(lost);
      continue;
    }
    if (entry instanceof PDFRef) context.delete(entry);
    if (WINDOWS.has(subtype) || !isShown(annotation) || !isLayerShown(annotation, page.doc))
      continue;
    const state = states.get(i);
    if (state === null) continue;
    if (state !== undefined) annotation.set(PDFName.of('AS'), PDFName.of(state));
    const appearance = appearanceOf(annotation, context);
    if (appearance) layer.draw(appearance.form, `${appearance.place.map(pdfNumber).join(' ')} cm`);
    else if (!drawWithoutAppearance(layer, annotation)) {
      if (subtype !== 'Widget') dropped.push(subtype || NAMELESS);
      continue;
    }
    drawn++;
  }
  if (kept.length > 0) page.node.set(PDFName.of('Annots'), context.obj(kept));
  else page.node.delete(PDFName.of('Annots'));
  return { drawn, dropped, linksDropped };
}

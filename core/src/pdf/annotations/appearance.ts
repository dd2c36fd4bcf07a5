import { PDFBool, type PDFContext, PDFDict, PDFName, PDFRef, PDFStream } from '@cantoo/pdf-lib';
import {
  boxHeight,
  boxWidth,
  box,
  type Box,
  IDENTITY,
  type Matrix,
  thenMatrix,
  transformBox,
} from '../../geometry/index.ts';
import { streamBytes } from '../content/pageContent.ts';
import { scanContent } from '../content/scan.ts';
import { numbersAt, rectOf } from './read.ts';

/** An appearance to draw: the form, and the matrix that puts it in its place. */
export interface Appearance {
  readonly form: PDFRef;
  readonly place: Matrix;
}

/**
 * The normal appearance of an annotation, placed by ISO 32000-1 §12.5.5, algorithm 8.1: the form's BBox
 * through its Matrix gives a box, which is stretched onto Rect. Null when there is none to draw.
 */
export function appearanceOf(annotation: PDFDict, context: PDFContext): Appearance | null {
  const normal = normalAppearance(annotation);
  const rect = rectOf(annotation);
  if (!normal || !rect) return null;
  const form = context.lookup(normal);
  if (!(form instanceof PDFStream)) return null;
  completeForm(form, context);
  openGroups(form);
  const [a, b, c, d, e, f] = numbersAt(form.dict, 'Matrix');
  const matrix: Matrix = f === undefined ? IDENTITY : [a, b, c, d, e, f];
  const [x0, y0, x1, y1] = numbersAt(form.dict, 'BBox');
  if (y1 === undefined) return null;
  const shown = transformBox(
    matrix,
    box(Math.min(x0, x1), Math.min(y0, y1), Math.max(x0, x1), Math.max(y0, y1)),
  );
  return { form: normal, place: fitted(shown, rect) };
}

/** The matrix that carries one box onto another; a box without extent is only moved. */
function fitted(from: Box, to: Box): Matrix {
  const sx = boxWidth(from) > 0 ? boxWidth(to) / boxWidth(from) : 1;
  const sy = boxHeight(from) > 0 ? boxHeight(to) / boxHeight(from) : 1;
  return thenMatrix([1, 0, 0, 1, -from.minX, -from.minY], [sx, 0, 0, sy, to.minX, to.minY]);
}

/** AP/N, or the state of it that AS names. */
function normalAppearance(annotation: PDFDict): PDFRef | null {
  const ap = annotation.lookup(PDFName.of('AP'));
  if (!(ap instanceof PDFDict)) return null;
  const entry = ap.get(PDFName.of('N'));
  const normal = ap.lookup(PDFName.of('N'));
  if (normal instanceof PDFStream) return entry instanceof PDFRef ? entry : null;
  if (!(normal instanceof PDFDict)) return null;
  const state = annotation.lookup(PDFName.of('AS'));
  const chosen = state instanceof PDFName ? normal.get(state) : undefined;
  return chosen instanceof PDFRef ? chosen : null;
}

/** Forms lacking their subtype or resources are common; some viewers refuse them. */
function completeForm(form: PDFStream, context: PDFContext): void {
  form.dict.set(PDFName.of('Type'), PDFName.of('XObject'));
  form.dict.set(PDFName.of('Subtype'), PDFName.of('Form'));
  if (!form.dict.has(PDFName.of('Resources')))
    form.dict.set(PDFName.of('Resources'), context.obj({}));
}

/** Forms within forms that are looked into; no honest appearance goes so deep. */
const DEEPEST = 16;

const isTrue = (dict: PDFDict, key: string): boolean =>
  dict.lookup(PDFName.of(key)) === PDFBool.True;

/**
 * Takes transparency groups away that change nothing: neither isolated nor knockout, drawn opaque and Normal, they
 * compose as their elements alone would (ISO 32000-1 §11.4.2–5). Some readers take them for isolated, and a
 * highlight multiplied inside one then hides the words beneath.
 */
function openGroups(form: PDFStream, seen = new Set<PDFStream>(), depth = 0): void {
  if (seen.has(form) || depth > DEEPEST) return;
  seen.add(form);
  const group = form.dict.lookup(PDFName.of('Group'));
  if (group instanceof PDFDict && !isTrue(group, 'I') && !isTrue(group, 'K'))
    form.dict.delete(PDFName.of('Group'));
  const content = streamBytes(form);
  const resources = form.dict.lookup(PDFName.of('Resources'));
  const held = resources instanceof PDFDict ? resources.lookup(PDFName.of('XObject')) : undefined;
  if (!content || !(held instanceof PDFDict)) return;
  // Forms drawn after a graphics state was set may be drawn translucent or blended: their groups count.
  let plain = true;
  scanContent(content, ({ operator, name }) => {
    if (operator === 'gs') plain = false;
    if (operator !== 'Do' || name === null || !plain) return;
    const inner = held.lookup(PDFName.of(name));
    if (inner instanceof PDFStream && inner.dict.get(PDFName.of('Subtype')) === PDFName.of('Form'))
      openGroups(inner, seen, depth + 1);
  });
}

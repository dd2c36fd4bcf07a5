import { PDFArray, PDFDict, PDFName, type PDFPage, PDFRef } from '@cantoo/pdf-lib';
import {
  boxCorners,
  boxOfPoints,
  type Convex,
  convexArea,
  convexMeet,
} from '../../geometry/index.ts';
import { appearanceOf } from '../annotations/appearance.ts';
import { drawWithoutAppearance } from '../annotations/drawn.ts';
import { isLayerShown } from '../annotations/optionalContent.ts';
import { isShown, numbersOf, subtypeOf } from '../annotations/read.ts';
import type { Layer } from '../sink/layer.ts';
import { pdfNumber } from '../sink/operators.ts';
import { keepFieldsLeft } from './fieldsLeft.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** What a field holds, and how it looks. */
const OF_A_FIELD = ['V', 'DV', 'RV', 'AP', 'TU', 'MK'];
/** Fields within fields: more is made to run in circles. */
const DEEPEST = 32;

/**
 * Takes annotations of which some lies beneath areas off a page, with what belongs to them: their windows, the answers to them, the values of their fields. What
 * they show is drawn into `layer`, of which the rest stays; links alone where there is none.
 */
export function takeOffBeneath(page: PDFPage, areas: readonly Convex[], layer: Layer | null): void {
  const list = page.node.lookup(name('Annots'));
  if (!(list instanceof PDFArray)) return;
  const all = list.asArray().map((entry, k) => ({ entry, dict: list.lookup(k) }));
  const gone = new Set<unknown>();
  for (const { entry, dict } of all) {
    if (!(dict instanceof PDFDict)) continue;
    const subtype = subtypeOf(dict);
    if (subtype === 'Popup' || (!layer && subtype !== 'Link') || !isBeneath(dict, areas)) continue;
    gone.add(entry);
    if (layer && subtype !== 'Link' && isShown(dict) && isLayerShown(dict, page.doc)) {
      const appearance = appearanceOf(dict, page.doc.context);
      if (appearance)
        layer.draw(appearance.form, `${appearance.place.map(pdfNumber).join(' ')} cm`);
      else drawWithoutAppearance(layer, dict);
    }
    if (subtype === 'Widget') emptyField(dict);
  }
  if (gone.size === 0) return;
  // What hangs on something that is gone goes with it, and what hangs on that.
  for (let before = -1; before !== gone.size;) {
    before = gone.size;
    for (const { entry, dict } of all)
      if (dict instanceof PDFDict)
        for (const key of ['Parent', 'IRT'])
          if (subtypeOf(dict) !== 'Widget' && gone.has(dict.get(name(key)))) gone.add(entry);
  }
  const left = all.filter(({ entry }) => !gone.has(entry)).map(({ entry }) => entry);
  page.node.set(name('Annots'), page.doc.context.obj(left));
  for (const entry of gone) if (entry instanceof PDFRef) page.doc.context.delete(entry);
  keepFieldsLeft(page.doc);
}

function isBeneath(dict: PDFDict, areas: readonly Convex[]): boolean {
  const rect = numbersOf(dict.lookup(name('Rect')));
  if (rect.length !== 4) return false;
  const box = boxOfPoints([
    { x: rect[0], y: rect[1] },
    { x: rect[2], y: rect[3] },
  ]);
  const own = convexArea(boxCorners(box));
  return own !== null && areas.some((area) => convexMeet(area, own));
}

function emptyField(widget: PDFDict): void {
  let one: unknown = widget;
  for (let depth = 0; one instanceof PDFDict && depth < DEEPEST; depth++) {
    for (const key of OF_A_FIELD) one.delete(name(key));
    one = one.lookup(name('Parent'));
  }
}

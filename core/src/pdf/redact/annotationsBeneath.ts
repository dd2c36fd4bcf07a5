import { PDFArray, PDFDict, PDFName, type PDFPage, PDFRef } from '@cantoo/pdf-lib';
import { boxCorners, boxOfPoints, convexArea, convexMeet, growBox } from '../../geometry/index.ts';
import { appearanceOf } from '../annotations/appearance.ts';
import { drawWithoutAppearance } from '../annotations/drawn.ts';
import { isLayerShown } from '../annotations/optionalContent.ts';
import { isShown, numbersOf, subtypeOf } from '../annotations/read.ts';
import type { Layer } from '../sink/layer.ts';
import { pdfNumber } from '../sink/operators.ts';
import { keepFieldsLeft } from './fieldsLeft.ts';
import type { Gone } from './gone.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** What a field holds, and how it looks. */
const OF_A_FIELD = ['V', 'DV', 'RV', 'AP', 'TU', 'MK'];
/** Fields within fields: more is made to run in circles. */
const DEEPEST = 32;

/**
 * Takes annotations of which some is to be gone off a page, and nothing spared, with what belongs to them: their windows, the answers to them, the values of their
 * fields.
 * @param layer what they show is drawn into it, of which the rest stays
 */
export function takeOffBeneath(page: PDFPage, gone: Gone, layer: Layer | null): void {
  const list = page.node.lookup(name('Annots'));
  if (!(list instanceof PDFArray)) return;
  const all = list.asArray().map((entry, k) => ({ entry, dict: list.lookup(k) }));
  const off = new Set<unknown>();
  for (const { entry, dict } of all) {
    if (!(dict instanceof PDFDict)) continue;
    const subtype = subtypeOf(dict);
    if (subtype === 'Popup' || !isGone(dict, gone)) continue;
    off.add(entry);
    if (layer && subtype !== 'Link' && isShown(dict) && isLayerShown(dict, page.doc)) {
      const appearance = appearanceOf(dict, page.doc.context);
      if (appearance)
        layer.draw(appearance.form, `${appearance.place.map(pdfNumber).join(' ')} cm`);
      else drawWithoutAppearance(layer, dict);
    }
    if (subtype === 'Widget' && !(gone.spared && isElsewhere(dict))) emptyField(dict);
  }
  if (off.size === 0) return;
  // What hangs on something that is gone goes with it, and what hangs on that.
  for (let before = -1; before !== off.size;) {
    before = off.size;
    for (const { entry, dict } of all)
      if (dict instanceof PDFDict)
        for (const key of ['Parent', 'IRT'])
          if (subtypeOf(dict) !== 'Widget' && off.has(dict.get(name(key)))) off.add(entry);
  }
  const left = all.filter(({ entry }) => !off.has(entry)).map(({ entry }) => entry);
  page.node.set(name('Annots'), page.doc.context.obj(left));
  for (const entry of off) if (entry instanceof PDFRef) page.doc.context.delete(entry);
  keepFieldsLeft(page.doc);
}

function isGone(dict: PDFDict, { areas, spared }: Gone): boolean {
  const rect = numbersOf(dict.lookup(name('Rect')));
  if (rect.length !== 4) return false;
  const box = boxOfPoints([
    { x: rect[0], y: rect[1] },
    { x: rect[2], y: rect[3] },
  ]);
  // Those that are shown as a sign may be as small as a point.
  const own = convexArea(boxCorners(growBox(box, 0.1)));
  if (own === null || (spared && convexMeet(spared, own))) return false;
  return areas.some((area) => convexMeet(area, own));
}

/** Whether a field has other places, at which its value is seen still. */
function isElsewhere(widget: PDFDict): boolean {
  const parent = widget.lookup(name('Parent'));
  const kids = parent instanceof PDFDict ? parent.lookup(name('Kids')) : null;
  return !widget.has(name('T')) && kids instanceof PDFArray && kids.size() > 1;
}

function emptyField(widget: PDFDict): void {
  let one: unknown = widget;
  for (let depth = 0; one instanceof PDFDict && depth < DEEPEST; depth++) {
    for (const key of OF_A_FIELD) one.delete(name(key));
    one = one.lookup(name('Parent'));
  }
}

import { PDFArray, PDFDict, type PDFDocument, PDFName, PDFRef } from '@cantoo/pdf-lib';
import type { Annotation } from '../../annotations/index.ts';
import { isLayerShown } from '../annotations/optionalContent.ts';
import { isShown, rectOf, subtypeOf } from '../annotations/read.ts';
import { sketchOf } from './sketchOf.ts';
import { colourAt, dateAt, nameAt, numberAt, textAt } from './values.ts';

/** Kinds that belong to the page or to another annotation: nobody has written them on it. */
const NOT_WRITTEN = new Set(['Link', 'Widget', 'Popup', 'TrapNet', 'PrinterMark', 'Watermark']);
const LOCKED = 64 | 128;
/** Annotations of a document that are read; no person has written so many. */
const MOST = 50_000;

/** What has been written on the pages of a PDF, as data, with the dictionary of each. */
export interface AnnotationsIn {
  readonly annotations: readonly Annotation[];
  readonly dicts: readonly PDFDict[];
}

export function annotationsIn(doc: PDFDocument): AnnotationsIn {
  const found: { dict: PDFDict; page: number }[] = [];
  const places = new Map<PDFDict, number>();
  for (const [page, { node }] of doc.getPages().entries()) {
    const list = node.lookup(PDFName.of('Annots'));
    if (!(list instanceof PDFArray)) continue;
    for (let k = 0; k < list.size() && found.length < MOST; k++) {
      const dict = list.lookup(k);
      if (!(dict instanceof PDFDict) || NOT_WRITTEN.has(subtypeOf(dict)) || places.has(dict))
        continue;
      places.set(dict, found.length);
      found.push({ dict, page });
    }
  }
  return {
    annotations: found.map(({ dict, page }) => annotationOf(dict, page, doc, places)),
    dicts: found.map(({ dict }) => dict),
  };
}

function annotationOf(
  dict: PDFDict,
  page: number,
  doc: PDFDocument,
  places: ReadonlyMap<PDFDict, number>,
): Annotation {
  const sketched = sketchOf(dict, doc.context);
  const opacity = sketched?.opacity ?? numberAt(dict, 'CA') ?? 1;
  const answers = answersTo(dict, doc, places);
  const says = textAt(dict, 'State') || nameAt(dict, 'State');
  return {
    name: textAt(dict, 'NM'),
    page,
    subtype: subtypeOf(dict),
    rect: rectOf(dict),
    sketch: sketched?.sketch ?? null,
    colour: sketched?.colour ?? colourAt(dict, 'C'),
    opacity: Math.min(1, Math.max(0, opacity)),
    author: textAt(dict, 'T').trim(),
    contents: textAt(dict, 'Contents'),
    madeAt: dateAt(dict, 'CreationDate'),
    changedAt: dateAt(dict, 'M'),
    locked: ((numberAt(dict, 'F') ?? 0) & LOCKED) !== 0,
    shown: isShown(dict) && isLayerShown(dict, doc),
    answers,
    state:
      answers && says
        ? { model: textAt(dict, 'StateModel') || nameAt(dict, 'StateModel'), says }
        : null,
  };
}

function answersTo(
  dict: PDFDict,
  doc: PDFDocument,
  places: ReadonlyMap<PDFDict, number>,
): Annotation['answers'] {
  const entry = dict.get(PDFName.of('IRT'));
  const target = entry instanceof PDFRef ? doc.context.lookup(entry) : entry;
  const to = target instanceof PDFDict ? places.get(target) : undefined;
  if (to === undefined || places.get(dict) === to) return null;
  return { to, as: nameAt(dict, 'RT') === 'Group' ? 'group' : 'answer' };
}

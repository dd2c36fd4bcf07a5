import { PDFBool, PDFDict, type PDFDocument, PDFName, PDFRef } from '@cantoo/pdf-lib';
import { inherited, textsIn, withParents } from './entries.ts';
import { widgetsIn } from './widgets.ts';

const key = (name: string): PDFName => PDFName.of(name);

/**
 * Has other programs show a form as it was filled in: one of the other notation (XFA) beside it would show its own values, and where every field that holds something
 * brings a picture of it, none is to be made anew. Returns what was changed.
 */
export function settleForm(doc: PDFDocument): PDFRef[] {
  const entry = doc.catalog.get(key('AcroForm'));
  const form = doc.catalog.lookup(key('AcroForm'));
  if (!(form instanceof PDFDict)) return [];
  const isStale = form.lookup(key('NeedAppearances')) === PDFBool.True && isShown(doc);
  if (!isStale && !form.has(key('XFA'))) return [];
  if (isStale) form.delete(key('NeedAppearances'));
  form.delete(key('XFA'));
  // A form that is no object of its own stands in the catalogue.
  const { Root } = doc.context.trailerInfo;
  return [entry, Root].filter((one) => one instanceof PDFRef);
}

/** Whether every field that holds something brings a picture of it. */
const isShown = (doc: PDFDocument): boolean =>
  widgetsIn(doc).every(
    ({ dict }) =>
      dict.has(key('AP')) ||
      textsIn(inherited(withParents(dict), 'V')).every((one) => one === '' || one === 'Off'),
  );

import { PDFArray, PDFDict, type PDFDocument, PDFName } from '@cantoo/pdf-lib';

const name = (text: string): PDFName => PDFName.of(text);
/** Fields within fields: more is made to run in circles. */
const DEEPEST = 32;

/** Has a form name only fields that are there (ISO 32000-1 §12.7.2): one of which no place is left is none. */
export function keepFieldsLeft({ catalog, context }: PDFDocument): void {
  const form = catalog.lookup(name('AcroForm'));
  if (!(form instanceof PDFDict)) return;
  /** Those of a list that are there, with what is there of them. */
  const left = (list: PDFArray, depth: number): PDFArray => {
    const entries = list.asArray().filter((entry) => {
      const field = context.lookup(entry);
      if (!(field instanceof PDFDict)) return false;
      const kids = field.lookup(name('Kids'));
      if (!(kids instanceof PDFArray) || depth > DEEPEST) return true;
      const own = left(kids, depth + 1);
      if (own.size() < kids.size()) field.set(name('Kids'), own);
      return own.size() > 0;
    });
    return context.obj([...entries]);
  };
  for (const key of ['Fields', 'CO']) {
    const list = form.lookup(name(key));
    if (list instanceof PDFArray) form.set(name(key), left(list, 0));
  }
}

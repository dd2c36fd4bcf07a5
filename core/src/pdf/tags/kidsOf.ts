import { PDFArray, type PDFDict, PDFName, type PDFObject } from '@cantoo/pdf-lib';

/** What stands beneath an element of a structure, or beneath its root (ISO 32000-1 §14.7.2). */
export function kidsOf(element: PDFDict): PDFObject[] {
  const key = PDFName.of('K');
  const all = element.lookup(key);
  const one = element.get(key);
  return all instanceof PDFArray ? all.asArray() : one ? [one] : [];
}

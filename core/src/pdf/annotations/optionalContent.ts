import { PDFArray, PDFDict, type PDFDocument, PDFName, PDFRef } from '@cantoo/pdf-lib';

/** Whether the optional content group an annotation belongs to is on by default (ISO 32000-1 §8.11.4.3). */
export function isLayerShown(annotation: PDFDict, doc: PDFDocument): boolean {
  const group = annotation.get(PDFName.of('OC'));
  const properties = doc.catalog.lookup(PDFName.of('OCProperties'));
  if (!(group instanceof PDFRef) || !(properties instanceof PDFDict)) return true;
  const settings = properties.lookup(PDFName.of('D'));
  if (!(settings instanceof PDFDict)) return true;
  const listed = (key: string): boolean => {
    const list = settings.lookup(PDFName.of(key));
    return list instanceof PDFArray && list.asArray().includes(group);
  };
  if (settings.lookup(PDFName.of('BaseState')) === PDFName.of('OFF')) return listed('ON');
  return !listed('OFF');
}

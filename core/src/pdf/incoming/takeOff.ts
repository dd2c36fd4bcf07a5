import { PDFArray, PDFDict, type PDFDocument, PDFName, type PDFRef } from '@cantoo/pdf-lib';
import { subtypeOf } from '../annotations/read.ts';

/** Takes annotations off, and the windows that belong to them; what was changed for it. */
export function takeOff(doc: PDFDocument, gone: ReadonlySet<PDFDict>): PDFRef[] {
  const key = PDFName.of('Annots');
  const changed: PDFRef[] = [];
  for (const { node, ref } of doc.getPages()) {
    const list = node.lookup(key);
    if (!(list instanceof PDFArray)) continue;
    const kept = list.asArray().filter((_, k) => {
      const one = list.lookup(k);
      if (!(one instanceof PDFDict)) return true;
      const parent = subtypeOf(one) === 'Popup' ? one.lookup(PDFName.of('Parent')) : null;
      return !gone.has(one) && !(parent instanceof PDFDict && gone.has(parent));
    });
    if (kept.length === list.size()) continue;
    // A list of its own: pages may share one.
    if (kept.length > 0) node.set(key, doc.context.obj(kept));
    else node.delete(key);
    changed.push(ref);
  }
  return changed;
}

import { PDFDict, type PDFDocument, PDFName, PDFRef } from '@cantoo/pdf-lib';

const OUTLINES = PDFName.of('Outlines');

/** An outline, and the number by which its entries name it. */
export interface OutlineRoot {
  readonly dict: PDFDict;
  readonly ref: PDFRef;
}

/** The outline of a document; one that the catalogue holds itself gets a number. Null where there is none. */
export function outlineOf({ catalog, context }: PDFDocument): OutlineRoot | null {
  const dict = catalog.lookup(OUTLINES);
  if (!(dict instanceof PDFDict)) return null;
  const held = catalog.get(OUTLINES);
  if (held instanceof PDFRef) return { dict, ref: held };
  const ref = context.register(dict);
  catalog.set(OUTLINES, ref);
  return { dict, ref };
}

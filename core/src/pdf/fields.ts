import { PDFBool, PDFDict, type PDFDocument, type PDFField, PDFName } from '@cantoo/pdf-lib';

/**
 * Form fields whose value has no appearance, or whose appearance is out of date, get one. False when the form is
 * damaged: then its fields are drawn with the appearances they came with.
 */
export function refreshFieldAppearances(doc: PDFDocument): boolean {
  const acroForm = doc.catalog.lookup(PDFName.of('AcroForm'));
  if (!(acroForm instanceof PDFDict)) return true;
  const stale = acroForm.lookup(PDFName.of('NeedAppearances')) === PDFBool.True;
  // The copy shows the pages; a form in that other notation is not among them.
  acroForm.delete(PDFName.of('XFA'));
  let fields: PDFField[];
  try {
    fields = doc.getForm().getFields();
  } catch {
    // The library fails on a damaged field tree in many ways; all mean the same here, and it is told.
    return false;
  }
  let sound = true;
  for (const field of fields) {
    try {
      refresh(doc, field, stale);
    } catch (e) {
      // A field the library cannot draw (a character its font lacks) keeps the appearance it came with.
      if (isDamage(e)) sound = false;
    }
  }
  return sound;
}

/** An entry of another type than the standard says. */
const isDamage = (e: unknown): boolean =>
  e instanceof TypeError || (e instanceof Error && /^Expected instance of/.test(e.message));

function refresh(doc: PDFDocument, field: PDFField, stale: boolean): void {
  const bare = field.acroField.getWidgets().some((w) => !w.dict.has(PDFName.of('AP')));
  if (!stale && !bare) return;
  const updatable = field as unknown as { defaultUpdateAppearances?(font: unknown): void };
  updatable.defaultUpdateAppearances?.(doc.getForm().getDefaultFont());
}

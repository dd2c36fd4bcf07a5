import {
  PDFBool,
  PDFDict,
  type PDFDocument,
  type PDFField,
  type PDFForm,
  PDFName,
} from '@cantoo/pdf-lib';

/** Form fields whose value has no appearance, or whose appearance is out of date, get one. */
export function refreshFieldAppearances(doc: PDFDocument): void {
  const acroForm = doc.catalog.lookup(PDFName.of('AcroForm'));
  if (!(acroForm instanceof PDFDict)) return;
  const stale = acroForm.lookup(PDFName.of('NeedAppearances')) === PDFBool.True;
  // The copy shows the pages; a form in that other notation is not among them.
  acroForm.delete(PDFName.of('XFA'));
  const form = doc.getForm();
  for (const field of fieldsOf(form)) {
    const bare = field.acroField.getWidgets().some((w) => !w.dict.has(PDFName.of('AP')));
    if (!stale && !bare) continue;
    try {
      const updatable = field as unknown as { defaultUpdateAppearances?(font: unknown): void };
      updatable.defaultUpdateAppearances?.(form.getDefaultFont());
    } catch {
      // A field the library cannot draw (a character its font lacks) keeps the appearance it came with.
    }
  }
}

function fieldsOf(form: PDFForm): PDFField[] {
  try {
    return form.getFields();
  } catch {
    // A field tree the library cannot read: its fields are drawn with the appearances they came with.
    return [];
  }
}

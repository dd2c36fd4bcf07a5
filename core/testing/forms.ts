import { degrees, PDFDocument, PDFName, PDFString, rgb, StandardFonts } from '@cantoo/pdf-lib';
import type { FillTools, Form, FormField } from '../src/fields/index.ts';
import { type DocState, emptyDocument, pagesOfSource } from '../src/document/index.ts';
import { plainPage } from '../src/geometry/index.ts';

/** What source the pages of {@link formDocument} show. */
export const FORM_SOURCE = 'f'.repeat(64);

/** A form of two pages with a field of every sort, made by the PDF library; without pictures of its fields where that is said. */
export async function formPdf({ bare = false } = {}): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const font = await doc.embedFont(StandardFonts.Helvetica);
  const [page, next] = [doc.addPage([300, 400]), doc.addPage([300, 400])];
  page.drawText('Taken to the shore', { x: 20, y: 370, size: 12, font });
  const form = doc.getForm();
  const at = (x: number, y: number, width = 100, height = 18) => ({
    ...{ x, y, width, height, borderWidth: 1, borderColor: rgb(0.4, 0.4, 0.4), font },
  });
  const name = form.createTextField('group.name');
  name.addToPage(page, at(20, 330));
  name.addToPage(next, at(20, 330));
  name.acroField.dict.set(PDFName.of('TU'), PDFString.of('Name of the group'));
  name.enableRequired();
  const remarks = form.createTextField('remarks');
  remarks.enableMultiline();
  remarks.setText('Dry on return');
  remarks.addToPage(page, at(20, 260, 160, 50));
  const card = form.createTextField('card');
  card.setMaxLength(6);
  card.addToPage(page, at(20, 230, 120, 20));
  card.enableCombing();
  const word = form.createTextField('word');
  word.enablePassword();
  word.addToPage(page, at(160, 230));
  for (const [k, ticked] of [true, false].entries()) {
    const box = form.createCheckBox(`tick.${k}`);
    box.addToPage(page, at(20 + 30 * k, 200, 14, 14));
    if (ticked) box.check();
  }
  const tide = form.createRadioGroup('tide');
  tide.addOptionToPage('spring', page, at(100, 200, 14, 14));
  tide.addOptionToPage('neap', page, at(130, 200, 14, 14));
  tide.select('spring');
  const place = form.createDropdown('place');
  place.addOptions(['Rock pool', 'Mud', 'Dune']);
  place.select('Mud');
  place.addToPage(page, at(20, 170));
  const things = form.createOptionList('things');
  things.addOptions(['Net', 'Lens', 'Tray']);
  things.enableMultiselect();
  things.addToPage(page, at(140, 140, 80, 48));
  form.createButton('send').addToPage('Send', page, at(20, 140, 60, 18));
  for (const [k, one] of ['one', 'two', 'sum'].entries()) {
    const field = form.createTextField(`count.${one}`);
    field.addToPage(page, at(20 + 80 * k, 110, 60, 18));
    if (one === 'sum')
      field.acroField.dict.set(
        PDFName.of('AA'),
        doc.context.obj({
          C: {
            S: 'JavaScript',
            JS: PDFString.of('AFSimple_Calculate("SUM", new Array("count.one", "count.two"));'),
          },
        }),
      );
  }
  const turned = form.createTextField('turned');
  turned.addToPage(page, { ...at(290, 20, 80, 18), rotate: degrees(90) });
  form.updateFieldAppearances(font);
  if (bare)
    for (const field of form.getFields())
      for (const widget of field.acroField.getWidgets()) widget.dict.delete(PDFName.of('AP'));
  return doc.save({ useObjectStreams: false, updateFieldAppearances: false });
}

/** The form's file as a document with nothing on it. */
export const formDocument = (): DocState =>
  emptyDocument(
    pagesOfSource(FORM_SOURCE, [plainPage(300, 400), plainPage(300, 400)], (k) => `p${k}`),
  );

/** At one time after the other. */
export function fillTools(): FillTools {
  let now = 1_000;
  return {
    get now() {
      return now++;
    },
    author: '',
  };
}

/** @throws RangeError where the form has no such field */
export function fieldNamed({ fields }: Form, name: string): FormField {
  const field = fields.find((one) => one.name === name);
  if (!field) throw new RangeError(`The form has no field ${name}.`);
  return field;
}

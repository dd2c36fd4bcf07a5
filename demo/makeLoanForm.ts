import {
  type PDFDocument,
  type PDFFont,
  type PDFForm,
  PDFName,
  type PDFPage,
  PDFString,
  StandardFonts,
} from '@cantoo/pdf-lib';
import { A4, type Fonts, footer, GREY, INK, LINE, newDocument, paragraph } from './sheet.ts';

const TITLE = 'Loan of instruments';
const LEFT = 64;
const RIGHT = A4.width - LEFT;
const WHERE = ['Boat house', 'Field hut', 'Jetty'];
const GROUPS = ['Limpets', 'Barnacles', 'Whelks'];
const THINGS = ['Tide gauge', 'Quadrat', 'Hand lens', 'Thermometer'];

/** What makes the sheet: its page, the form on it, and the face that fields are set in. */
interface Sheet {
  readonly doc: PDFDocument;
  readonly page: PDFPage;
  readonly form: PDFForm;
  readonly fonts: Fonts;
  readonly font: PDFFont;
}

/** One page with a form of its own (ISO 32000-1 §12.7): a field of every sort. */
export async function makeLoanForm(): Promise<Uint8Array> {
  const { doc, fonts } = await newDocument(TITLE);
  const page = doc.addPage([A4.width, A4.height]);
  const font = await doc.embedFont(StandardFonts.Helvetica);
  const sheet: Sheet = { doc, page, form: doc.getForm(), fonts, font };
  page.drawText(TITLE, { x: LEFT, y: 760, size: 26, font: fonts.bold, color: INK });
  paragraph(page, 'To be filled in on the screen. What is not filled in is not lent.', {
    ...{ x: LEFT, y: 744, width: RIGHT - LEFT, font: fonts.text, size: 11, leading: 16 },
  });
  who(sheet);
  groups(sheet);
  things(sheet);
  rest(sheet);
  footer(page, fonts, 'Saltmarsh Field Station · form 7', '1 of 1');
  sheet.form.updateFieldAppearances(font);
  return doc.save({ updateFieldAppearances: false });
}

const label = ({ page, fonts }: Sheet, text: string, x: number, y: number): void =>
  page.drawText(text, { x, y, size: 10, font: fonts.sans, color: GREY });

const place = ({ font }: Sheet, x: number, y: number, width: number, height = 20) => ({
  ...{ x, y, width, height, font, borderWidth: 0.7, borderColor: LINE },
});

/** What a field is called to people (TU). */
const call = (field: { readonly acroField: { readonly dict: unknown } }, name: string): void =>
  (field.acroField.dict as { set(key: PDFName, value: unknown): void }).set(
    PDFName.of('TU'),
    PDFString.of(name),
  );

function text(sheet: Sheet, name: string, says: string, at: ReturnType<typeof place>) {
  const field = sheet.form.createTextField(name);
  field.addToPage(sheet.page, at);
  field.setFontSize(11);
  call(field, says);
  return field;
}

/** A script that a form would run at a moment. */
const script = ({ doc }: Sheet, moment: string, says: string) =>
  doc.context.obj({ [moment]: { S: 'JavaScript', JS: PDFString.of(says) } });

function who(sheet: Sheet): void {
  label(sheet, 'Name', LEFT, 700);
  text(sheet, 'borrower.name', 'Name', place(sheet, LEFT, 674, 250)).enableRequired();
  label(sheet, 'Day', LEFT + 270, 700);
  const day = text(sheet, 'borrower.day', 'Day', place(sheet, LEFT + 270, 674, 90));
  day.acroField.dict.set(PDFName.of('AA'), script(sheet, 'F', 'AFDate_FormatEx("dd/mm/yyyy");'));
  label(sheet, 'Card number', LEFT, 648);
  const card = text(sheet, 'borrower.card', 'Card number', place(sheet, LEFT, 622, 160));
  card.setMaxLength(8);
  card.enableCombing();
  label(sheet, 'Word for the locker', LEFT + 270, 648);
  text(
    sheet,
    'borrower.word',
    'Word for the locker',
    place(sheet, LEFT + 270, 622, 140),
  ).enablePassword();
}

function groups(sheet: Sheet): void {
  label(sheet, 'Group', LEFT, 596);
  const group = sheet.form.createRadioGroup('group');
  call(group, 'Group');
  GROUPS.forEach((name, k) => {
    const x = LEFT + 110 * k;
    group.addOptionToPage(name, sheet.page, place(sheet, x, 572, 14, 14));
    sheet.page.drawText(name, { x: x + 22, y: 575, size: 11, font: sheet.fonts.text, color: INK });
  });
}

function things(sheet: Sheet): void {
  const { page, fonts, form } = sheet;
  page.drawText('What is lent', { x: LEFT, y: 536, size: 13, font: fonts.bold, color: INK });
  THINGS.forEach((name, k) => {
    const y = 510 - 28 * k;
    const box = form.createCheckBox(`lent.tick.${k + 1}`);
    call(box, name);
    box.addToPage(page, place(sheet, LEFT, y, 14, 14));
    page.drawText(name, { x: LEFT + 24, y: y + 3, size: 11, font: fonts.text, color: INK });
    text(sheet, `lent.count.${k + 1}`, `How many: ${name}`, place(sheet, LEFT + 200, y - 4, 50));
  });
  label(sheet, 'All together', LEFT + 130, 398);
  const sum = text(sheet, 'lent.all', 'All together', place(sheet, LEFT + 200, 392, 50));
  const names = THINGS.map((_, k) => `"lent.count.${k + 1}"`).join(', ');
  sum.acroField.dict.set(
    PDFName.of('AA'),
    script(sheet, 'C', `AFSimple_Calculate("SUM", new Array(${names}));`),
  );
}

function rest(sheet: Sheet): void {
  const { page, form, doc } = sheet;
  label(sheet, 'Fetched from', LEFT + 290, 536);
  const from = form.createDropdown('from');
  call(from, 'Fetched from');
  from.addOptions(WHERE);
  from.addToPage(page, place(sheet, LEFT + 290, 508, 150));
  label(sheet, 'Also wanted', LEFT + 290, 484);
  const also = form.createOptionList('also');
  call(also, 'Also wanted');
  also.addOptions(['Waders', 'Bucket', 'Torch', 'Rope']);
  also.enableMultiselect();
  also.addToPage(page, place(sheet, LEFT + 290, 412, 150, 66));
  also.setFontSize(11);
  label(sheet, 'Remarks', LEFT, 356);
  const remarks = text(sheet, 'remarks', 'Remarks', place(sheet, LEFT, 268, RIGHT - LEFT, 80));
  remarks.enableMultiline();
  label(sheet, 'Signed', LEFT, 232);
  const ref = doc.context.register(
    doc.context.obj({
      Type: 'Annot',
      Subtype: 'Widget',
      FT: 'Sig',
      T: PDFString.of('signed'),
      TU: PDFString.of('Signed'),
      Rect: [LEFT, 190, LEFT + 220, 226],
      F: 4,
      P: page.ref,
    }),
  );
  page.node.addAnnot(ref);
  form.acroForm.addField(ref);
  page.drawLine({
    start: { x: LEFT, y: 190 },
    end: { x: LEFT + 220, y: 190 },
    thickness: 0.7,
    color: LINE,
  });
  const button = form.createButton('print');
  button.addToPage('Print', page, {
    ...place(sheet, RIGHT - 80, 196, 80, 24),
  });
  button.setFontSize(11);
}

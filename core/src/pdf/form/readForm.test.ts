import { PDFDocument, PDFName, PDFString } from '@cantoo/pdf-lib';
import { fieldNamed, formPdf } from '../../../testing/forms.ts';
import { pageObjects, rawPdf } from '../../../testing/rawPdf.ts';
import { plainPdf } from '../../../testing/pdfs.ts';
import { readForm } from './readForm.ts';

test('every sort of field is read, with what it holds and where it is', async () => {
  const form = await readForm(await formPdf());
  const field = (name: string) => fieldNamed(form, name);
  expect(form.xfa).toBe('none');
  expect(field('group.name')).toMatchObject({
    label: 'Name of the group',
    sort: 'text',
    required: true,
    widgets: [{ page: 0 }, { page: 1 }],
  });
  expect(field('remarks')).toMatchObject({
    value: ['Dry on return'],
    widgets: [{ letters: { lines: true, cells: 0 }, turn: 0, isDrawn: true }],
  });
  expect(field('card')).toMatchObject({ longest: 6, widgets: [{ letters: { cells: 6 } }] });
  expect(field('word').widgets[0].letters?.secret).toBe(true);
  expect(['tick.0', 'tick.1'].map((name) => field(name).widgets[0].isOn)).toEqual([true, false]);
  expect(field('tide')).toMatchObject({
    sort: 'radio',
    widgets: [
      { says: 'spring', isOn: true, sign: null },
      { says: 'neap', isOn: false },
    ],
  });
  expect(field('place')).toMatchObject({ sort: 'choice', value: ['Mud'], several: false });
  expect(field('place').choices.map(({ says }) => says)).toEqual(['Rock pool', 'Mud', 'Dune']);
  expect(field('things')).toMatchObject({ several: true });
  expect(field('send').sort).toBe('button');
  expect(field('count.sum').sum).toEqual(['count.one', 'count.two']);
  expect(field('count.one').sum).toBeUndefined();
  expect(field('turned').widgets[0].turn).toBe(90);
});

test('signs are drawn where the file has no pictures of on and off', async () => {
  const form = await readForm(await formPdf({ bare: true }));
  expect(fieldNamed(form, 'tick.1').widgets).toMatchObject([{ sign: 'tick', isDrawn: false }]);
  expect(fieldNamed(form, 'tide').widgets).toMatchObject([{ sign: 'circle' }, { sign: 'circle' }]);
  expect((await readForm(await plainPdf())).fields).toEqual([]);
});

test('a day, a form of the other notation and the order of Tab are what the file says', async () => {
  const doc = await PDFDocument.load(await formPdf());
  const field = doc.getForm().getTextField('remarks').acroField.dict;
  const action = { S: 'JavaScript', JS: PDFString.of('AFDate_FormatEx("dd/mm/yyyy");') };
  field.set(PDFName.of('AA'), doc.context.obj({ F: action } as never));
  doc.catalog.getOrCreateAcroForm().dict.set(PDFName.of('XFA'), PDFString.of('<xdp/>'));
  doc.getPage(0).node.set(PDFName.of('Tabs'), PDFName.of('C'));
  const form = await readForm(await doc.save({ updateFieldAppearances: false }));
  expect(fieldNamed(form, 'remarks').pattern).toBe('dd/mm/yyyy');
  expect([form.xfa, form.tabs.get(0)]).toEqual(['beside', 'columns']);
});

test('damaged fields are read as far as they go', async () => {
  const parts = (acroForm: string, ...widgets: string[]) =>
    rawPdf([
      [1, `<< /Type /Catalog /Pages 2 0 R /AcroForm ${acroForm} >>`],
      ...pageObjects(
        `/Annots [${widgets.map((_, k) => `${20 + k} 0 R`).join(' ')} 99 0 R 7]`,
      ).filter(([number]) => number !== 1),
      ...widgets.map((one, k) => [20 + k, one] as const),
    ]);
  const form = await readForm(
    parts(
      '<< /Fields 12 /CO (no list) /DR [] >>',
      '<< /Subtype /Widget /T (round) /Parent 20 0 R /FT /Tx /Rect [0 0 50 20] /DA (0 0 Tf rg x) >>',
      '<< /Subtype /Widget /T (nowhere) /FT /Tx /Rect [0 0 0 0] /MaxLen (many) /V [1 (a) null] >>',
      '<< /Subtype /Widget /FT /Tx /Rect [0 0 50 20] >>',
      '<< /Subtype /Widget /T (odd) /FT /Ch /Opt [(a) [(b) (B)] 7 []] /MK 3 /AP 4 /Rect [9 9 1 1] >>',
    ),
  );
  expect(form.fields.map(({ name, widgets }) => [name, widgets.length])).toEqual([
    ['round', 1],
    ['nowhere', 0],
    ['odd', 1],
  ]);
  expect(fieldNamed(form, 'odd').choices).toEqual([
    { value: 'a', says: 'a' },
    { value: 'b', says: 'B' },
  ]);
  expect(fieldNamed(form, 'nowhere').value).toEqual(['a']);
});

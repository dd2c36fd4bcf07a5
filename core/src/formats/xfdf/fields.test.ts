import {
  fieldNamed,
  fillTools,
  FORM_SOURCE as SOURCE,
  formDocument,
  formPdf,
} from '../../../testing/forms.ts';
import { done } from '../../../testing/marks.ts';
import { fillAll, fillField, type Form, valueOf } from '../../fields/index.ts';
import { readForm } from '../../pdf/index.ts';
import { readXfdf, readXfdfFields } from './read.ts';
import { writeXfdf } from './write.ts';

let form: Form;
beforeAll(async () => {
  form = await readForm(await formPdf());
});

test('what was filled in goes out by the full names of its fields, and fills in another copy', () => {
  const tools = fillTools();
  const neap = fieldNamed(form, 'tide').widgets[1].state ?? '';
  const values = new Map([
    ['group.name', ['Limpets & <whelks>']],
    ['remarks', ['two\nlines']],
    ['things', ['Net', 'Tray']],
    ['tide', [neap]],
    ['tick.0', []],
  ]);
  const state = done(formDocument(), fillAll(formDocument(), SOURCE, form, values, tools));
  const text = writeXfdf(state, 'form.pdf');
  expect(text).toContain('<field name="group">');
  expect(readXfdf(text)).toEqual([]);
  expect(readXfdfFields(text)).toEqual(values);
  const again = done(
    formDocument(),
    fillAll(formDocument(), SOURCE, form, readXfdfFields(text), tools),
  );
  for (const [name, value] of values)
    expect([name, valueOf(again, SOURCE, fieldNamed(form, name))]).toEqual([name, value]);
});

test('what a field cannot hold, and fields that the form does not have, are left', () => {
  const values = new Map([
    ['card', ['1234567']],
    ['place', ['Cliff']],
    ['send', ['now']],
    ['nowhere', ['x']],
  ]);
  expect(fillAll(formDocument(), SOURCE, form, values, fillTools())).toBeNull();
});

test('a file of fields alone is one, and deep ones are not followed for ever', () => {
  const file = (within: string): string =>
    `<xfdf xmlns="http://ns.adobe.com/xfdf/"><fields>${within}</fields></xfdf>`;
  const deep = '<field name="a">'.repeat(200) + '<value>x</value>' + '</field>'.repeat(200);
  expect(() => readXfdf(file(deep))).toThrow('holds no annotations');
  const one = '<field name="a"><field name="b"><value>x</value></field></field><field/>';
  expect(readXfdfFields(file(one))).toEqual(new Map([['a.b', ['x']]]));
  const state = fillField(formDocument(), SOURCE, fieldNamed(form, 'word'), ['dry'], fillTools());
  expect(state?.label).toBe('Fill in a field');
});

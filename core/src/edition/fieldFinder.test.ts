import { PDFDocument } from '@cantoo/pdf-lib';
import { fieldNamed, FORM_SOURCE, formDocument, formPdf, fillTools } from '../../testing/forms.ts';
import { done } from '../../testing/marks.ts';
import { marksOn, type DocState } from '../document/index.ts';
import { fillField, type Form, valueOf } from '../fields/index.ts';
import { plainPage } from '../geometry/index.ts';
import { readForm } from '../pdf/index.ts';
import { EMPTY_PRINT } from '../print/index.ts';
import { carryOver } from './carryOver.ts';
import { changeEdition } from './changeEdition.ts';
import { waitingMarks } from './waiting.ts';

const NEW = 'e'.repeat(64);
const PAGE = { ...plainPage(300, 400), print: EMPTY_PRINT };

let [before, after]: Form[] = [];
beforeAll(async () => {
  before = await readForm(await formPdf());
  // A page before the others, and one field fewer.
  const doc = await PDFDocument.load(await formPdf());
  const form = doc.getForm();
  form.removeField(form.getField('remarks'));
  doc.insertPage(0, [300, 400]);
  after = await readForm(await doc.save({ updateFieldAppearances: false }));
});

function filled(values: Readonly<Record<string, readonly string[]>>): DocState {
  const tools = fillTools();
  return Object.entries(values).reduce(
    (state, [name, value]) =>
      done(state, fillField(state, FORM_SOURCE, fieldNamed(before, name), value, tools)),
    formDocument(),
  );
}

function carried(document: DocState) {
  const was = [0, 1].map((k) => ({ ...PAGE, ids: [`p${k}`] }));
  const is = [PAGE, PAGE, PAGE];
  const over = carryOver({ document, was, is, byPicture: new Map(), form: after });
  let n = 0;
  const transaction = changeEdition({
    ...{ document, was: FORM_SOURCE, is: NEW, pages: is, carried: over },
    ...{ left: new Set<string>(), newId: () => `new ${(n += 1)}` },
  });
  return { over, state: done(document, transaction) };
}

test('what was filled in stands in the fields of the same names; what has no field waits', () => {
  const values = {
    ...{ 'group.name': ['Alga'], 'count.one': ['3'], place: ['Dune'] },
    remarks: ['Wet'],
  };
  const tide = fieldNamed(before, 'tide').widgets.map(({ state }) => state ?? '');
  const tick = fieldNamed(before, 'tick.1').widgets[0].state ?? '';
  const all = { ...values, tide: [tide[1]], 'tick.1': [tick] };
  const document = filled(all);
  const { over, state } = carried(document);
  for (const [name, value] of Object.entries(all))
    if (name !== 'remarks') expect(valueOf(state, NEW, fieldNamed(after, name))).toEqual(value);
  const lost = over.placed.filter(({ verdict }) => verdict === 'lost');
  expect(lost.map(({ reason }) => reason)).toEqual(['field']);
  expect(waitingMarks(state)).toHaveLength(1);
  // In both places that the name has.
  const named = over.placed.filter(
    ({ after: mark }) => mark && 'field' in mark && mark.field === 'group.name',
  );
  expect(named.map(({ page }) => page).sort()).toEqual([1, 2]);
  expect(
    named.every(({ reason, verdict }) => reason === 'sameField' && verdict === 'certain'),
  ).toBe(true);
});

test('fields of the new edition are filled in afterwards, though their places were others’ before', () => {
  const { state } = carried(
    filled({ 'group.name': ['Alga'], 'count.one': ['3'], 'count.two': ['4'] }),
  );
  const tools = fillTools();
  const next = after.fields.filter(({ sort }) => sort === 'text');
  const full = next.reduce((now, field) => {
    const transaction = fillField(now, NEW, field, ['7'], tools);
    return transaction ? done(now, transaction) : now;
  }, state);
  for (const field of next) expect(valueOf(full, NEW, field)).toEqual(['7']);
  const ids = full.pages.flatMap(({ id }) =>
    [...marksOn(full, id).keys()].map((mark) => `${id} ${mark}`),
  );
  expect(new Set(ids).size).toBe(ids.length);
});

test('what the field of the new edition cannot hold is not put there', () => {
  const shorter: Form = {
    ...after,
    fields: after.fields.map((field) =>
      field.name === 'place' ? { ...field, choices: field.choices.slice(0, 1) } : field,
    ),
  };
  const document = filled({ place: ['Dune'] });
  const was = [0, 1].map((k) => ({ ...PAGE, ids: [`p${k}`] }));
  const over = carryOver({ document, was, is: [PAGE], byPicture: new Map(), form: shorter });
  expect(over.placed.map(({ verdict }) => verdict)).toEqual(['lost']);
});

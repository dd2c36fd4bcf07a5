import fc from 'fast-check';
import {
  fieldNamed,
  fillTools,
  FORM_SOURCE as SOURCE,
  formDocument,
  formPdf,
} from '../../testing/forms.ts';
import { plainState } from '../../testing/parts.ts';
import {
  applyTransaction,
  type DocState,
  invertTransaction,
  marksOn,
  type Transaction,
} from '../document/index.ts';
import { asField, fromMarkRecord, kindFor, toMarkRecord } from '../kinds/index.ts';
import { readForm } from '../pdf/index.ts';
import {
  emptyForm,
  emptyRequired,
  fieldsInOrder,
  fillField,
  type Form,
  isFillable,
  problemWith,
  resetForm,
  staleSums,
  valueOf,
} from './index.ts';

let form: Form;
beforeAll(async () => {
  form = await readForm(await formPdf());
});
const field = (name: string) => fieldNamed(form, name);

function made(state: DocState, transaction: Transaction | null): DocState {
  if (!transaction) return state;
  const applied = applyTransaction(state, transaction);
  if (!applied.ok) throw new Error(applied.reason);
  return applied.state;
}
const tools = fillTools();
const filled = (state: DocState, name: string, ...value: string[]): DocState =>
  made(state, fillField(state, SOURCE, field(name), value, tools));
const valueIn = (state: DocState, name: string) => valueOf(state, SOURCE, field(name));
const textsOn = (state: DocState, page: string) =>
  [...marksOn(state, page).values()].map((mark) => asField(mark)?.text);

test('a field is filled in wherever it is seen, and is as it came with what the file has', () => {
  const state = filled(formDocument(), 'group.name', 'Limpets');
  expect([textsOn(state, 'p0'), textsOn(state, 'p1')]).toEqual([['Limpets'], ['Limpets']]);
  expect(valueIn(state, 'group.name')).toEqual(['Limpets']);
  const back = filled(state, 'group.name', '');
  expect([marksOn(back, 'p0').size, marksOn(back, 'p1').size]).toEqual([0, 0]);
  const emptied = filled(back, 'remarks', '');
  expect([valueIn(emptied, 'remarks'), textsOn(emptied, 'p0')]).toEqual([[], ['']]);
  expect(marksOn(filled(emptied, 'remarks', 'Dry on return'), 'p0').size).toBe(0);
});

test('of several that exclude each other one is on, and a tick that the file has can be taken away', () => {
  const stateOf = (words: string): string =>
    field('tide').widgets.find(({ says }) => says === words)?.state ?? '';
  const neap = filled(formDocument(), 'tide', stateOf('neap'));
  expect(valueIn(neap, 'tide')).toEqual([stateOf('neap')]);
  const marks = [...marksOn(neap, 'p0').values()];
  expect(marks.map((mark) => kindFor(mark).covers?.(mark).state).sort()).toEqual([
    stateOf('neap'),
    'Off',
  ]);
  expect(marksOn(filled(neap, 'tide', stateOf('spring')), 'p0').size).toBe(0);
  const off = filled(neap, 'tick.0');
  expect([valueIn(formDocument(), 'tick.0').length, valueIn(off, 'tick.0')]).toEqual([1, []]);
});

test('what is chosen goes by its words, several one beneath the other', () => {
  const state = filled(filled(formDocument(), 'place', 'Dune'), 'things', 'Net', 'Tray');
  expect(textsOn(state, 'p0')).toEqual(['Dune', 'Net\nTray']);
});

test('what was filled in is stored, and undone to what was before', () => {
  const names = fc.constantFrom('group.name', 'remarks', 'tick.0', 'tick.1', 'tide', 'place');
  const fillings = fc.array(fc.tuple(names, fc.string({ maxLength: 12 }), fc.boolean()), {
    maxLength: 20,
  });
  fc.assert(
    fc.property(fillings, (all) => {
      let state = formDocument();
      const before = plainState(state);
      const done: Transaction[] = [];
      for (const [name, text, isOn] of all) {
        const { widgets } = field(name);
        const states = widgets.flatMap(({ state: one }) => (one === null ? [] : [one]));
        const value = states.length > 0 ? (isOn ? [states[0]] : states.slice(1)) : [text];
        const transaction = fillField(state, SOURCE, field(name), value, tools);
        if (!transaction) continue;
        done.push(transaction);
        state = made(state, transaction);
        expect(valueIn(state, name)).toEqual(value.filter((one) => one !== ''));
      }
      for (const page of state.marks.values())
        for (const mark of page.values())
          expect(fromMarkRecord(JSON.parse(JSON.stringify(toMarkRecord(mark))))).toEqual(mark);
      for (const one of done.reverse()) state = made(state, invertTransaction(one));
      expect(plainState(state)).toEqual(before);
    }),
    { numRuns: 50 },
  );
});

test('a form is emptied, and put back as it came', () => {
  let state = filled(formDocument(), 'group.name', 'Limpets');
  state = made(state, emptyForm(state, SOURCE, form, tools));
  for (const one of form.fields.filter(isFillable))
    expect([one.name, valueOf(state, SOURCE, one)]).toEqual([one.name, []]);
  expect(emptyForm(state, SOURCE, form, tools)).toBeNull();
  const back = made(state, resetForm(state));
  expect(valueIn(back, 'remarks')).toEqual(['Dry on return']);
  expect(resetForm(back)).toBeNull();
});

test('a total is said to be stale when something it is made of was filled in after it', () => {
  const stale = (state: DocState) => staleSums(state, SOURCE, form).map(({ name }) => name);
  let state = formDocument();
  expect(stale(state)).toEqual([]);
  state = filled(state, 'group.name', 'Limpets');
  expect(stale(state)).toEqual([]);
  state = filled(state, 'count.one', '3');
  expect(stale(state)).toEqual(['count.sum']);
  state = filled(state, 'count.sum', '3');
  expect(stale(state)).toEqual([]);
  expect(stale(filled(state, 'count.two', '4'))).toEqual(['count.sum']);
});

test('what the form wants is missed, and what a field cannot hold is said', () => {
  const missed = (state: DocState) => emptyRequired(state, SOURCE, form).map(({ name }) => name);
  expect(missed(formDocument())).toEqual(['group.name']);
  expect(missed(filled(formDocument(), 'group.name', 'Limpets'))).toEqual([]);
  expect(problemWith(field('card'), ['123456'])).toBeNull();
  expect(problemWith(field('card'), ['1234567'])).toBe('At most 6 characters: 1 too many.');
  expect(problemWith(field('place'), ['Cliff'])).toBe('“Cliff” is not among the choices.');
  expect(problemWith(field('place'), ['Mud', 'Dune'])).toBe('Only one of these can be chosen.');
  expect(problemWith(field('things'), ['Net', 'Tray'])).toBeNull();
});

test('Tab leads by rows from above, unless the file says how', () => {
  const [page] = formDocument().pages;
  const names = (one: Form) => fieldsInOrder(one, page).map((place) => place.field.name);
  const read = names(form);
  expect(read.slice(0, 2)).toEqual(['group.name', 'remarks']);
  expect(read.indexOf('tick.0') + 1).toBe(read.indexOf('tick.1'));
  expect(read).not.toContain('send');
  const [columns, file] = (['columns', 'file'] as const).map((order) =>
    names({ ...form, tabs: new Map([[0, order]]) }),
  );
  expect(columns.indexOf('tick.1')).toBeGreaterThan(columns.indexOf('count.one'));
  expect(file.indexOf('count.sum')).toBe(file.length - 2);
  // A page that lies on its side is read as it is seen.
  const turned = fieldsInOrder(form, { ...page, rotate: 90 }).map((place) => place.field.name);
  expect(turned[0]).not.toBe('group.name');
});

import { type Form, valueOf } from '@marginalis/core/fields';
import { readForm } from '@marginalis/core/pdf';
import { fieldNamed, formPdf } from '../../../../core/testing/forms';
import { DocumentSession } from '../../session/documentSession';
import { deskDocument } from '../../testing/deskDocument';
import { installFakeTabs, settle } from '../../testing/fakeLocks';
import { TypedField } from './TypedField';

let form: Form;
beforeAll(async () => {
  form = await readForm(await formPdf());
});
beforeEach(installFakeTabs);

let count = 0;
async function begun(name: string) {
  const session = new DocumentSession(deskDocument({ id: `field-${count++}` }));
  await settle();
  const { source } = session.desk;
  const field = fieldNamed(form, name);
  const [page] = session.store.getState().document.pages;
  const typed = new TypedField({ session }, { field, widget: field.widgets[0], page, source });
  const value = () => valueOf(session.store.getState().document, source, field);
  return { session, typed, value };
}

test('a word is filled in when it ends, the last one when the field is left; each is a step to undo', async () => {
  const { session, typed, value } = await begun('group.name');
  for (const text of ['L', 'Li', 'Limpet']) typed.say(text);
  expect([value(), typed.isOpen]).toEqual([[], true]);
  typed.say('Limpet ');
  expect(value()).toEqual(['Limpet ']);
  typed.say('Limpet team');
  typed.take();
  expect([value(), typed.isOpen]).toEqual([['Limpet team'], false]);
  session.undo();
  expect(value()).toEqual(['Limpet ']);
  session.undo();
  expect(value()).toEqual([]);
});

test('what one pauses after is filled in, too', async () => {
  const { typed, value } = await begun('group.name');
  jest.useFakeTimers();
  typed.say('Whelk');
  jest.advanceTimersByTime(799);
  expect(value()).toEqual([]);
  jest.advanceTimersByTime(1);
  expect(value()).toEqual(['Whelk']);
  jest.useRealTimers();
});

test('what a field cannot hold is said, and not filled in until it is mended', async () => {
  const { typed, value } = await begun('card');
  expect(typed.say('1234567')).toBe('At most 6 characters: 1 too many.');
  typed.take();
  expect(value()).toEqual([]);
  expect(typed.say('123456')).toBeNull();
  typed.take();
  expect(value()).toEqual(['123456']);
});

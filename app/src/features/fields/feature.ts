import { emptyForm, resetForm } from '@marginalis/core/fields';
import { formKnown } from '@/session';
import type { Command, Reader, ReaderFeature } from '@/shell';
import { fillTools } from './placeOnPage';
import { FieldsOnPage, PlacesToFill } from './FieldsOnPage';
import { FormTold } from './FormTold';
import { stepField } from './step';

/** The forms of the document that have been read, by their sources. */
function formsIn({ session }: Reader) {
  const { pages } = session.store.getState().document;
  const sources = new Set(pages.flatMap(({ shows }) => ('source' in shows ? [shows.source] : [])));
  return [...sources].flatMap((source) => {
    const form = formKnown(source);
    return form.fields.length > 0 ? [{ source, form }] : [];
  });
}

const commands = (reader: Reader): readonly Command[] => {
  const { session } = reader;
  const able = (): boolean => session.store.getState().writable && formsIn(reader).length > 0;
  return [
    {
      id: 'fill-in-form',
      title: 'Fill in the form: go to its next field',
      group: 'Document',
      also: 'fields answer tick box type worksheet',
      icon: 'form',
      keys: ['Shift+E'],
      able,
      run: () => void stepField(reader, null, 1),
    },
    {
      id: 'empty-form',
      title: 'Empty the form',
      group: 'Document',
      also: 'clear fields answers erase',
      icon: 'form',
      able,
      run: () => {
        for (const { source, form } of formsIn(reader)) {
          const { document } = session.store.getState();
          session.dispatch(emptyForm(document, source, form, fillTools()));
        }
      },
    },
    {
      id: 'reset-form',
      title: 'Put the form back as it came',
      group: 'Document',
      also: 'reset fields original values',
      icon: 'form',
      able: () => able() && resetForm(session.store.getState().document) !== null,
      run: () => void session.dispatch(resetForm(session.store.getState().document)),
    },
  ];
};

/** The form of the file, filled in. */
export const fieldsFeature: ReaderFeature = {
  name: 'fields',
  commands,
  OnPage: FieldsOnPage,
  later: [PlacesToFill],
  Over: FormTold,
};

import { findMark } from '@marginalis/core/document';
import { asEquation, type EquationMark } from '@marginalis/core/kinds';
import { late, type Reader, type ReaderFeature } from '@/shell';
import { type EquationAsked, equationAsked } from './asked';
import { EQUATION_SHEET } from './ids';

const EquationSheet = late(async () => (await import('./EquationSheet')).EquationSheet);

/** The one equation that is picked; null with another number of marks. */
function pickedEquation({ session }: Reader): EquationMark | null {
  const { document, picked } = session.store.getState();
  const [id] = picked;
  return picked.size === 1 ? asEquation(findMark(document, id)) : null;
}

/** Equations, typed in TeX and drawn as they are printed. */
export const equationsFeature: ReaderFeature = {
  name: 'equations',
  commands(reader) {
    const writable = (): boolean => reader.session.store.getState().writable;
    const ask = (asked: EquationAsked): void => {
      equationAsked.setState(asked);
      reader.shell.openDialog(EQUATION_SHEET);
    };
    return [
      {
        id: 'put-equation',
        title: 'Put an equation on the page',
        group: 'Marks',
        also: 'formula maths mathematics tex latex chemistry fraction root sum integral insert',
        icon: 'equation',
        forPlace: 'Equation',
        atPlace: ({ index, at }) => ask({ id: null, spot: { index, at } }),
        able: writable,
        run: () => ask({ id: null, spot: null }),
      },
      {
        id: 'edit-equation',
        title: 'Change the equation that is picked',
        group: 'Marks',
        also: 'formula maths tex edit',
        icon: 'equation',
        keys: ['Enter', 'F2'],
        forPicked: 'Edit',
        forDoubleTap: true,
        chip: true,
        able: () => writable() && pickedEquation(reader) !== null,
        run: () => ask({ id: pickedEquation(reader)?.id ?? null, spot: null }),
      },
    ];
  },
  dialogs: [{ id: EQUATION_SHEET, Content: EquationSheet }],
};

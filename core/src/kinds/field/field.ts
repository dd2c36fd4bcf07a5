import { boxCorners, transformBox } from '../../geometry/index.ts';
import type { Kind } from '../kind.ts';
import { drawField } from './draw.ts';
import type { FieldMark } from './mark.ts';
import { fromFieldRecord, toFieldRecord } from './record.ts';

/** What is not switched on is off (ISO 32000-1 §12.7.4.2.3). */
const OFF = 'Off';

const bounds = ({ widget }: FieldMark) => widget.box;

/** What a list says of one that says nothing by its letters. */
const said = ({ text, value, letters }: FieldMark): string =>
  letters ? (letters.secret ? '' : text) : value.length > 0 ? 'ticked' : 'not ticked';

export const FIELD: Kind<FieldMark> = {
  name: 'field',
  sorts: { field: 'Fields of the form' },
  toRecord: toFieldRecord,
  fromRecord: fromFieldRecord,
  plane: () => 'over',
  draw: drawField,
  bounds,
  roughBounds: bounds,
  areas: (mark) => [boxCorners(bounds(mark))],
  edge: (mark) => boxCorners(bounds(mark)),
  // A form is emptied where it is filled in.
  unrubbed: true,
  bound: true,
  carry: (mark, by) => ({
    ...mark,
    widget: { ...mark.widget, box: transformBox(by, mark.widget.box) },
  }),
  look: ({ style }) => ({ style }),
  restyle: (mark, { style }) => ({ ...mark, style: { ...mark.style, ...style } }),
  words: (mark) => ({
    name: 'Field',
    text: [mark.label, said(mark)].filter(Boolean).join(': '),
    sort: 'field',
  }),
  annotation: ({ field, value }) => ({ subtype: 'Widget', field, value }),
  covers: ({ widget: { index, object }, letters, sign, value: [state = OFF] }) => ({
    index,
    object,
    state: letters || sign ? null : state,
  }),
};

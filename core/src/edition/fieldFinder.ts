import {
  type Form,
  type FormWidget,
  isFillable,
  isSwitched,
  problemWith,
} from '../fields/index.ts';
import { moveBy } from '../geometry/index.ts';
import type { FieldMark } from '../kinds/index.ts';
import type { PlacedMark } from './placed.ts';

/** What was filled in, where the form of another edition has the field. */
export interface FieldNow extends Pick<PlacedMark, 'page' | 'map'> {
  readonly after: FieldMark;
}

/** Finds the field of another form that has the name of the one that was filled in, and can hold what was; null where there is none. No place is found twice. */
export type FieldFinder = (mark: FieldMark) => FieldNow | null;

export function fieldFinder(form: Form): FieldFinder {
  const taken = new Set<FormWidget>();
  return (mark) => fieldNow(form, mark, taken);
}

function fieldNow({ fields }: Form, mark: FieldMark, taken: Set<FormWidget>): FieldNow | null {
  const field = fields.find(({ name }) => name === mark.field);
  if (!field || !isFillable(field) || isSwitched(field) !== (mark.letters === null)) return null;
  if (problemWith(field, mark.value)) return null;
  const widget = field.widgets.find((one) => one.state === mark.widget.state && !taken.has(one));
  if (!widget) return null;
  taken.add(widget);
  const { index, object, box, turn, state, letters, frame, sign, colour } = widget;
  const { box: was } = mark.widget;
  return {
    page: widget.page,
    map: moveBy({ x: box.minX - was.minX, y: box.minY - was.minY }),
    after: {
      ...mark,
      style: { ...mark.style, colour },
      label: field.label,
      widget: { index, object, box, turn, state },
      ...{ letters, frame, sign },
    },
  };
}

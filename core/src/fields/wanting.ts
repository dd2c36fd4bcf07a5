import type { DocState } from '../document/index.ts';
import { type Form, type FormField, isFillable } from './form.ts';
import { placesOf, plain, valueOf } from './values.ts';

/** The fields that the form would work out, and that may no longer be right: something they are made of was filled in since they were. */
export function staleSums(state: DocState, source: string, { fields }: Form): FormField[] {
  const filledIn = new Map(
    fields.map((field) => [
      field.name,
      Math.max(0, ...placesOf(state, source, field).map(({ mark }) => mark?.madeAt ?? 0)),
    ]),
  );
  return fields.filter(({ name, sum }) => {
    if (sum === undefined) return false;
    const own = filledIn.get(name) ?? 0;
    return fields.some(
      (other) =>
        other.name !== name &&
        other.sum === undefined &&
        (sum === null ||
          sum.some((part) => other.name === part || other.name.startsWith(`${part}.`))) &&
        (filledIn.get(other.name) ?? 0) > own,
    );
  });
}

/** The fields that the form wants filled in and that are empty. */
export const emptyRequired = (state: DocState, source: string, { fields }: Form): FormField[] =>
  fields.filter(
    (field) =>
      field.required &&
      isFillable(field) &&
      plain(valueOf(state, source, field)).length === 0 &&
      placesOf(state, source, field).length > 0,
  );

import { coveredOn } from '../derived/index.ts';
import { type DocState, marksOn, type Page, type PageMarks } from '../document/index.ts';
import { asField, type FieldMark } from '../kinds/index.ts';
import type { FormField, FormWidget } from './form.ts';

/** A place of a field on a page of the document, and what was filled in there. */
export interface Filled {
  readonly page: Page;
  readonly widget: FormWidget;
  readonly mark: FieldMark | null;
}

/** The places of a field of a source that the document shows, in order of its pages. */
export function placesOf(state: DocState, source: string, { widgets }: FormField): Filled[] {
  return state.pages.flatMap((page) => {
    const { shows } = page;
    if (!('source' in shows) || shows.source !== source) return [];
    return widgets.flatMap((widget) =>
      widget.page === shows.index
        ? [{ page, widget, mark: filledOn(marksOn(state, page.id)).get(widget.index) ?? null }]
        : [],
    );
  });
}

const filled = new WeakMap<PageMarks, ReadonlyMap<number, FieldMark>>();

/** What was filled in on a page, by which of its annotations that is; kept as long as its marks. */
export function filledOn(marks: PageMarks): ReadonlyMap<number, FieldMark> {
  let found = filled.get(marks);
  if (!found) {
    found = new Map(
      [...coveredOn(marks).keys()].flatMap((id) => {
        const field = asField(marks.get(id) ?? null);
        return field ? [[field.widget.index, field]] : [];
      }),
    );
    filled.set(marks, found);
  }
  return found;
}

/** Whether it is switched on and off. */
export const isSwitched = ({ sort }: FormField): boolean => sort === 'tick' || sort === 'radio';

const isOnIn = ({ widget, mark }: Filled): boolean => (mark ? mark.value.length > 0 : widget.isOn);

/** What a field of a source holds by now: what was filled in, else what its file has. */
export function valueOf(state: DocState, source: string, field: FormField): readonly string[] {
  const places = placesOf(state, source, field);
  if (isSwitched(field)) {
    const on = places.find(isOnIn);
    return on?.widget.state ? [on.widget.state] : [];
  }
  return places.find(({ mark }) => mark)?.mark?.value ?? field.value;
}

/** What a value says: of what is chosen the words. */
export const textOfValue = ({ choices }: FormField, value: readonly string[]): string =>
  value.map((one) => choices.find((choice) => choice.value === one)?.says ?? one).join('\n');

/** Empty text is nothing. */
export const plain = (value: readonly string[]): readonly string[] =>
  value.length === 1 && value[0] === '' ? [] : value;

/** What the file has at a place of a field. */
export function cameWith(field: FormField, { isOn, state }: FormWidget): readonly string[] {
  if (!isSwitched(field)) return plain(field.value);
  return isOn && state !== null ? [state] : [];
}

/** What the file has in a field: of what is switched the state that is on. */
export const valueInFile = (field: FormField): readonly string[] =>
  field.widgets.map((widget) => cameWith(field, widget)).find((value) => value.length > 0) ?? [];

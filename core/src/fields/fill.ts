import { coveredOn } from '../derived/index.ts';
import {
  type Change,
  type DocState,
  markChange,
  marksOn,
  nextOrder,
  type Page,
  type PageMarks,
  type Transaction,
} from '../document/index.ts';
import { asField, type FieldMark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';
import { problemWith } from './problem.ts';
import { type Form, type FormField, type FormWidget, isFillable } from './form.ts';

/** With what a field is filled in. */
export interface FillTools {
  /** Milliseconds since 1970. */
  readonly now: number;
  /** Nobody when empty. */
  readonly author: string;
}

/** A place of a field on a page of the document, and what was filled in there. */
interface Filled {
  readonly page: Page;
  readonly widget: FormWidget;
  readonly mark: FieldMark | null;
}

/** The places of a field of a source that the document shows, in order of its pages. */
function placesOf(state: DocState, source: string, { widgets }: FormField): Filled[] {
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

const isSwitched = ({ sort }: FormField): boolean => sort === 'tick' || sort === 'radio';

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

const isSame = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((one, k) => one === b[k]);

/** Empty text is nothing. */
const plain = (value: readonly string[]): readonly string[] =>
  value.length === 1 && value[0] === '' ? [] : value;

/**
 * Fills a field in, wherever the document shows it: with a text, with what is chosen, with the state it is switched to, or with nothing. With what its file has the
 * places are as they came. Null when nothing changes.
 */
export function fillField(
  state: DocState,
  source: string,
  field: FormField,
  value: readonly string[],
  tools: FillTools,
): Transaction | null {
  const changes = changesFor(state, source, field, plain(value), tools, new Map());
  return changes.length > 0 ? { label: labelFor(field, plain(value)), changes } : null;
}

const labelFor = (field: FormField, value: readonly string[]): string =>
  isSwitched(field)
    ? value.length > 0
      ? 'Tick a box of the form'
      : 'Take a tick away'
    : value.length > 0
      ? 'Fill in a field'
      : 'Empty a field';

/** What the file has at a place of a field. */
function cameWith(field: FormField, { isOn, state }: FormWidget): readonly string[] {
  if (!isSwitched(field)) return plain(field.value);
  return isOn && state !== null ? [state] : [];
}

function changesFor(
  state: DocState,
  source: string,
  field: FormField,
  value: readonly string[],
  tools: FillTools,
  orders: Map<string, number>,
): Change[] {
  const places = placesOf(state, source, field);
  const wantedAt = ({ state: on }: FormWidget): readonly string[] =>
    isSwitched(field) ? value.filter((one) => one === on) : value;
  const isAsCame = places.every(({ widget }) => isSame(wantedAt(widget), cameWith(field, widget)));
  return places.flatMap(({ page, widget, mark }): Change[] => {
    const wanted = wantedAt(widget);
    // What the file has no picture of is drawn with the others that belong to it.
    if (isAsCame || (!widget.sign && isSame(wanted, cameWith(field, widget))))
      return mark ? [markChange(mark, null)] : [];
    if (mark && isSame(mark.value, wanted)) return [];
    if (mark) {
      const after = { ...mark, value: wanted, text: textOfValue(field, wanted), madeAt: tools.now };
      return [markChange(mark, after)];
    }
    const order = orders.get(page.id) ?? nextOrder(state, page.id);
    orders.set(page.id, order + 1);
    return [markChange(null, markFor(field, widget, wanted, page.id, order, tools))];
  });
}

/** A place is filled in once, whoever fills it in. */
const placeId = (page: string, index: number): MarkId => `field ${index} ${page}`.slice(0, 100);

function markFor(
  field: FormField,
  widget: FormWidget,
  value: readonly string[],
  page: string,
  order: number,
  { now, author }: FillTools,
): FieldMark {
  const { index, object, box, turn, state, letters, frame, sign, colour } = widget;
  return {
    kind: 'field',
    id: placeId(page, index),
    page,
    order,
    madeAt: now,
    style: { colour, width: 1, opacity: 1 },
    ...(author ? { author } : {}),
    field: field.name,
    label: field.label,
    widget: { index, object, box, turn, state },
    value,
    text: textOfValue(field, value),
    letters,
    frame,
    sign,
  };
}

/** Fills in several fields of a source, by their names; those that cannot be, or cannot hold what they are given, are left. Null when nothing changes. */
export function fillAll(
  state: DocState,
  source: string,
  { fields }: Form,
  values: ReadonlyMap<string, readonly string[]>,
  tools: FillTools,
): Transaction | null {
  const orders = new Map<string, number>();
  const changes = fields.filter(isFillable).flatMap((field) => {
    const value = values.get(field.name);
    if (!value || problemWith(field, value)) return [];
    return changesFor(state, source, field, plain(value), tools, orders);
  });
  return changes.length > 0 ? { label: 'Fill in the form', changes } : null;
}

/** Empties every field that can be filled in; null when all are empty. */
export function emptyForm(
  state: DocState,
  source: string,
  { fields }: Form,
  tools: FillTools,
): Transaction | null {
  const orders = new Map<string, number>();
  const changes = fields
    .filter(isFillable)
    .flatMap((field) => changesFor(state, source, field, [], tools, orders));
  return changes.length > 0 ? { label: 'Empty the form', changes } : null;
}

/** Gives every field back what its file has; null when nothing was filled in. */
export function resetForm(state: DocState): Transaction | null {
  const changes = state.pages.flatMap(({ id }) =>
    [...filledOn(marksOn(state, id)).values()].map((mark) => markChange(mark, null)),
  );
  return changes.length > 0 ? { label: 'Put the form back as it came', changes } : null;
}

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

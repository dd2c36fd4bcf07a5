import {
  type Change,
  type DocState,
  markChange,
  marksOn,
  nextOrder,
  type Transaction,
} from '../document/index.ts';
import type { FieldMark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';
import { problemWith } from './problem.ts';
import { type Form, type FormField, type FormWidget, isFillable } from './form.ts';
import { cameWith, filledOn, isSwitched, placesOf, plain, textOfValue } from './values.ts';

/** With what a field is filled in. */
export interface FillTools {
  /** Milliseconds since 1970. */
  readonly now: number;
  /** Nobody when empty. */
  readonly author: string;
}

const isSame = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((one, k) => one === b[k]);

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
    const filled = markFor(field, widget, wanted, page.id, order, tools);
    return [markChange(null, { ...filled, id: freeId(state, filled) })];
  });
}

/** A place is filled in once, whoever fills it in. */
const placeId = (page: string, index: number): MarkId => `field ${index} ${page}`.slice(0, 100);

/** What was filled into a field of an earlier edition has its name still. */
function freeId(state: DocState, { id, page }: FieldMark): MarkId {
  const there = marksOn(state, page);
  let free = id;
  for (let n = 2; there.has(free); n++) free = `${n} ${id}`.slice(0, 100);
  return free;
}

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
  form: Form,
  tools: FillTools,
): Transaction | null {
  const nothing = new Map(form.fields.map(({ name }) => [name, []]));
  const filled = fillAll(state, source, form, nothing, tools);
  return filled && { ...filled, label: 'Empty the form' };
}

/** Gives every field back what its file has; null when nothing was filled in. */
export function resetForm(state: DocState): Transaction | null {
  const changes = state.pages.flatMap(({ id }) =>
    [...filledOn(marksOn(state, id)).values()].map((mark) => markChange(mark, null)),
  );
  return changes.length > 0 ? { label: 'Put the form back as it came', changes } : null;
}

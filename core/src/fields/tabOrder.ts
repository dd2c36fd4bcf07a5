import type { Page } from '../document/index.ts';
import {
  boxCentre,
  boxHeight,
  boxWidth,
  type Box,
  displayMatrix,
  transformBox,
} from '../geometry/index.ts';
import { type Form, type FormField, type FormWidget, isFillable } from './form.ts';

/** A place to fill in. */
export interface FieldPlace {
  readonly field: FormField;
  readonly widget: FormWidget;
}

/**
 * The places of a page that can be filled in, as Tab leads from one to the next: as the file says (ISO 32000-1 §7.7.3.3, Tabs), and in the order they are read in, rows
 * from above and each from the left, where it says nothing.
 */
export function fieldsInOrder({ fields, tabs }: Form, page: Page): FieldPlace[] {
  const { shows } = page;
  if (!('source' in shows)) return [];
  const places = fields
    .filter(isFillable)
    .flatMap((field) =>
      field.widgets.flatMap((widget) => (widget.page === shows.index ? [{ field, widget }] : [])),
    );
  const order = tabs.get(shows.index) ?? 'rows';
  if (order === 'file') return places.sort((a, b) => a.widget.index - b.widget.index);
  const display = displayMatrix(page);
  const seen = places.map((place) => ({
    place,
    box: transformBox(display, place.widget.box),
  }));
  return lined(seen, order === 'columns').map(({ place }) => place);
}

interface Seen {
  readonly place: FieldPlace;
  /** As the page is seen: y goes down. */
  readonly box: Box;
}

/** What lies beside each other is one row, or one column. */
function lined(all: readonly Seen[], isByColumn: boolean): Seen[] {
  const along = (b: Box): number => (isByColumn ? boxCentre(b).y : boxCentre(b).x);
  const across = (b: Box): number => (isByColumn ? boxCentre(b).x : boxCentre(b).y);
  const high = (b: Box): number => (isByColumn ? boxWidth(b) : boxHeight(b));
  const lines: Seen[][] = [];
  for (const one of [...all].sort((a, b) => across(a.box) - across(b.box))) {
    const line = lines.at(-1);
    const first = line?.[0].box;
    const reach = first ? Math.max(high(first), high(one.box)) / 2 : 0;
    if (line && first && across(one.box) - across(first) < reach) line.push(one);
    else lines.push([one]);
  }
  return lines.flatMap((line) => line.sort((a, b) => along(a.box) - along(b.box)));
}

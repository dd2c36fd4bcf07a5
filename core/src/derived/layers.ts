import type { Drawing, Fill, Group, Item } from '../drawing/index.ts';
import { inOrder, type PageMarks } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';
import { drawingOf, liesBeneath } from './drawingOf.ts';
import { marksMeeting } from './pageIndex.ts';

/** What a page's marks are drawn as, from the paper upwards. */
export interface MarkLayers {
  /** Multiplied onto the page: one group for each paint, so that strokes of one highlighter never darken each other. */
  readonly beneath: readonly Group[];
  /** Painted over, in order. */
  readonly over: Drawing;
}

/** How strongly a mark is seen, 0–1 of its own opacity. */
export type Strength = (mark: Mark) => number;

/** A page's marks as what is multiplied and what is painted; the PDF follows this. */
export const layersOf = (marks: PageMarks): MarkLayers => layersFrom(inOrder(marks));

/** The same for the marks that meet a box: what the screen paints. */
export const layersMeeting = (marks: PageMarks, box: Box, strength?: Strength): MarkLayers =>
  layersFrom(marksMeeting(marks, box), strength);

const WHOLE: Strength = () => 1;

/** Marks, given from the lowest to the topmost, in layers. */
export function layersFrom(marks: readonly Mark[], strength = WHOLE): MarkLayers {
  const groups = new Map<string, { opacity: number; items: Item[] }>();
  const over: Item[] = [];
  for (const mark of topmostLast(marks)) {
    const seen = strength(mark);
    const drawing = drawingOf(mark);
    if (!liesBeneath(mark))
      over.push(...(seen === 1 ? drawing : drawing.map((item) => faded(item, seen))));
    else for (const item of drawing) addTo(groups, item, seen);
  }
  const beneath = [...groups.values()].map((group): Group => ({
    is: 'group',
    blend: 'multiply',
    ...group,
  }));
  return { beneath, over };
}

/** Some lie above all others, whenever they were made. */
function topmostLast(marks: readonly Mark[]): readonly Mark[] {
  const top = marks.filter((mark) => kindFor(mark).topmost);
  return top.length === 0 ? marks : [...marks.filter((mark) => !kindFor(mark).topmost), ...top];
}

const faded = (item: Item, seen: number): Item =>
  item.is === 'fill'
    ? { ...item, paint: { ...item.paint, opacity: item.paint.opacity * seen } }
    : { is: 'group', opacity: seen, items: [item] };

/** Fills of one paint are one shape; everything else is multiplied by itself. */
function addTo(
  groups: Map<string, { opacity: number; items: Item[] }>,
  item: Item,
  seen: number,
): void {
  const isFill = item.is === 'fill';
  const opacity = isFill ? item.paint.opacity * seen : seen;
  const key = isFill ? `${item.paint.colour} ${opacity}` : `other ${groups.size}`;
  const group = groups.get(key);
  const put = isFill ? opaque(item) : item;
  if (group) group.items.push(put);
  else groups.set(key, { opacity, items: [put] });
}

const opaques = new WeakMap<Fill, Fill>();

function opaque(fill: Fill): Fill {
  if (fill.paint.opacity === 1) return fill;
  let whole = opaques.get(fill);
  if (!whole)
    opaques.set(fill, (whole = { ...fill, paint: { colour: fill.paint.colour, opacity: 1 } }));
  return whole;
}

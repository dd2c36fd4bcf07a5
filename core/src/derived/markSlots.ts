import { PageMap, type PageMarks } from '../document/index.ts';
import {
  boxCentre,
  displayMatrix,
  displaySize,
  type PageBox,
  transform,
} from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import { roughBoundsOf } from './drawingOf.ts';

/** So many places are told apart along the height of a page. */
export const SLOTS = 480;

const counts = new WeakMap<PageMarks, { page: PageBox; slots: ReadonlyMap<number, number> }>();

function slotOf(page: PageBox, mark: Mark): number {
  const { y } = transform(displayMatrix(page), boxCentre(roughBoundsOf(mark)));
  const slot = Math.floor((SLOTS * y) / displaySize(page).height);
  return Math.min(SLOTS - 1, Math.max(0, slot));
}

function add(slots: Map<number, number>, slot: number, by: number): void {
  slots.set(slot, (slots.get(slot) ?? 0) + by);
}

/** How many marks of a base lie in each slot; good for every page map over it. */
function baseSlots(page: PageBox, base: PageMarks): ReadonlyMap<number, number> {
  const known = counts.get(base);
  if (known?.page === page) return known.slots;
  const slots = new Map<number, number>();
  for (const mark of base.values()) add(slots, slotOf(page, mark), 1);
  counts.set(base, { page, slots });
  return slots;
}

/** Where along the height of a page, as it is seen, the middles of marks lie: slots from the top, 0 to {@link SLOTS} - 1. */
export function markSlots(page: PageBox, marks: PageMarks): number[] {
  const { base, patch } = PageMap.partsOf(marks);
  const slots = new Map(baseSlots(page, base));
  for (const [id, mark] of patch) {
    const before = base.get(id);
    if (before) add(slots, slotOf(page, before), -1);
    if (mark) add(slots, slotOf(page, mark), 1);
  }
  return [...slots].filter(([, n]) => n > 0).map(([slot]) => slot);
}

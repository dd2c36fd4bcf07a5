import { type Mark, type MarkId, toMarkRecord } from '../marks/index.ts';
import type { DocState, PageMarks } from './state.ts';

/** The one kind of change: a mark comes (before is null), goes (after is null) or becomes another. */
export interface Change {
  readonly id: MarkId;
  readonly before: Mark | null;
  readonly after: Mark | null;
}

/** Changes that happen, and are undone, together. */
export interface Transaction {
  /** What the person did, as undo names it: "Write", "Rub out 3 marks". */
  readonly label: string;
  readonly changes: readonly Change[];
}

export type Applied =
  { readonly ok: true; readonly state: DocState } | { readonly ok: false; readonly reason: string };

/** Swaps before and after, last change first. */
export const invertTransaction = (transaction: Transaction): Transaction => ({
  label: transaction.label,
  changes: transaction.changes
    .map(({ id, before, after }) => ({ id, before: after, after: before }))
    .reverse(),
});

/**
 * The state after a transaction. Fails, changing nothing, when a mark is not as `before` says.
 * @throws RangeError when a change is malformed: ids that differ, or nothing on either side
 */
export function applyTransaction(state: DocState, transaction: Transaction): Applied {
  const pages = new Map(state.marks);
  const opened = new Map<string, Map<MarkId, Mark>>();
  const open = (page: string): Map<MarkId, Mark> => {
    let marks = opened.get(page);
    if (!marks) {
      marks = new Map(pages.get(page));
      opened.set(page, marks);
      pages.set(page, marks);
    }
    return marks;
  };
  for (const change of transaction.changes) {
    const { id, before, after } = change;
    if ((!before && !after) || (before && before.id !== id) || (after && after.id !== id))
      throw new RangeError(`The change of mark ${id} is malformed.`);
    if (!matches(pages, change))
      return { ok: false, reason: `Mark ${id} is not as this change expects it.` };
    if (before) open(before.page).delete(id);
    if (after) open(after.page).set(id, after);
  }
  for (const [page, marks] of opened) {
    const before = state.marks.get(page);
    const ids = transaction.changes
      .filter(({ before: b, after: a }) => b?.page === page || a?.page === page)
      .map(({ id }) => id);
    if (before) steps.set(marks, { from: new WeakRef(before), ids });
  }
  return { ok: true, state: { pages: state.pages, marks: pages } };
}

/** How a page's marks came to be: from which, by changing what. */
const steps = new WeakMap<
  PageMarks,
  { readonly from: WeakRef<PageMarks>; readonly ids: readonly MarkId[] }
>();

/**
 * The marks in which a page differs from what it was one step before; null when `before` is not one step before. Saves
 * comparing pages of thousands of marks.
 */
export function changedSince(before: PageMarks, after: PageMarks): readonly MarkId[] | null {
  const step = steps.get(after);
  return step?.from.deref() === before ? step.ids : null;
}

function matches(pages: ReadonlyMap<string, PageMarks>, { id, before, after }: Change): boolean {
  if (before) {
    const held = pages.get(before.page)?.get(id);
    return held !== undefined && sameMark(held, before);
  }
  return after !== null && !pages.get(after.page)?.has(id);
}

/** Equal in every stored value, whether or not they are the same object. */
export function sameMark(a: Mark, b: Mark): boolean {
  return (
    a === b || JSON.stringify(sorted(toMarkRecord(a))) === JSON.stringify(sorted(toMarkRecord(b)))
  );
}

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, sorted(v)]),
  );
}

import { type Mark, type MarkId, type PageId, toMarkRecord } from '../marks/index.ts';
import { PageMap } from './pageMap.ts';
import { type DocState, NO_MARKS, type PageMarks } from './state.ts';

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
  const opened = new Map<PageId, Map<MarkId, Mark | null>>();
  const open = (page: PageId): Map<MarkId, Mark | null> => {
    let changes = opened.get(page);
    if (!changes) opened.set(page, (changes = new Map()));
    return changes;
  };
  const held = (page: PageId, id: MarkId): Mark | null => {
    const changed = opened.get(page)?.get(id);
    return changed === undefined ? (state.marks.get(page)?.get(id) ?? null) : changed;
  };
  for (const change of transaction.changes) {
    const { id, before, after } = change;
    if ((!before && !after) || (before && before.id !== id) || (after && after.id !== id))
      throw new RangeError(`The change of mark ${id} is malformed.`);
    if (!matches(held, change))
      return { ok: false, reason: `Mark ${id} is not as this change expects it.` };
    if (before) open(before.page).set(id, null);
    if (after) open(after.page).set(id, after);
  }
  const pages = new Map(state.marks);
  for (const [page, changes] of opened) {
    pages.set(page, PageMap.changed(state.marks.get(page) ?? NO_MARKS, changes));
  }
  return { ok: true, state: { pages: state.pages, marks: pages } };
}

/**
 * The marks in which a page may differ from what it was; null when the two share no base. Saves comparing pages of thousands
 * of marks.
 */
export function changedSince(before: PageMarks, after: PageMarks): readonly MarkId[] | null {
  const [was, is] = [PageMap.partsOf(before), PageMap.partsOf(after)];
  if (was.base !== is.base) return null;
  const ids = new Set([...was.patch.keys(), ...is.patch.keys()]);
  return [...ids].filter((id) => was.patch.get(id) !== is.patch.get(id));
}

function matches(
  held: (page: PageId, id: MarkId) => Mark | null,
  { id, before, after }: Change,
): boolean {
  if (before) {
    const mark = held(before.page, id);
    return mark !== null && sameMark(mark, before);
  }
  return after !== null && held(after.page, id) === null;
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

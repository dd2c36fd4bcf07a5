import type { Mark } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import { PageMap } from './pageMap.ts';
import { type Page, type PartName, type Parts, samePart } from './parts/index.ts';
import { type DocState, findPage, NO_MARKS, type PageMarks } from './state.ts';

/** The one kind of change: a part comes (before is null), goes (after is null) or becomes another. */
export interface ChangeOf<P extends PartName> {
  readonly part: P;
  readonly id: string;
  readonly before: Parts[P] | null;
  readonly after: Parts[P] | null;
}
export type MarkChange = ChangeOf<'mark'>;
export type Change = { [P in PartName]: ChangeOf<P> }[PartName];

/** Changes that happen, and are undone, together. */
export interface Transaction {
  /** What the person did, as undo names it: "Write", "Rub out 3 marks". */
  readonly label: string;
  readonly changes: readonly Change[];
}

export type Applied =
  { readonly ok: true; readonly state: DocState } | { readonly ok: false; readonly reason: string };

/**
 * A change of a part.
 * @throws RangeError when there is nothing on either side, or the ids differ
 */
export function changeOf<P extends PartName>(
  part: P,
  before: Parts[P] | null,
  after: Parts[P] | null,
): ChangeOf<P> {
  const id = (before ?? after)?.id;
  if (id === undefined || (before && after && before.id !== after.id))
    throw new RangeError(`A change of a ${part} is malformed.`);
  return { part, id, before, after };
}

/** A change of a mark; see {@link changeOf}. */
export const markChange = (before: Mark | null, after: Mark | null): MarkChange =>
  changeOf('mark', before, after);

/** The changes of marks among all. */
export const markChangesIn = ({ changes }: Transaction): MarkChange[] =>
  changes.filter((change) => change.part === 'mark');

/** Swaps before and after, last change first. */
export const invertTransaction = (transaction: Transaction): Transaction => ({
  label: transaction.label,
  changes: transaction.changes
    .map((change) => ({ ...change, before: change.after, after: change.before }) as Change)
    .reverse(),
});

/** Where parts other than marks are kept. */
const PLACES = {
  bookmark: 'bookmarks',
  thread: 'threads',
  tag: 'tags',
  link: 'links',
  attachment: 'attachments',
} as const satisfies { [P in Exclude<PartName, 'mark' | 'page'>]: keyof DocState };

/** Marks are kept by page, and so apart. */
type OtherPart = Exclude<PartName, 'mark'>;
type Held = Parts[PartName];

/** A document being changed: what differs from the one it began as. */
class Draft {
  private readonly marks = new Map<PageId, Map<MarkId, Mark | null>>();
  private readonly others = new Map<OtherPart, Map<string, Held | null>>();

  constructor(private readonly from: DocState) {}

  /** The part as it is; of marks the one on the page that the change is about. */
  held({ part, id, before, after }: Change): Held | null {
    if (part === 'mark') {
      const { page } = (before ?? after) as Mark;
      const changed = this.marks.get(page)?.get(id);
      return changed === undefined ? (this.from.marks.get(page)?.get(id) ?? null) : changed;
    }
    const changed = this.others.get(part)?.get(id);
    if (changed !== undefined) return changed;
    if (part === 'page') return findPage(this.from, id);
    return this.from[PLACES[part]].get(id) ?? null;
  }

  make({ part, id, before, after }: Change): void {
    if (part === 'mark') {
      if (before) this.on(before.page).set(id, null);
      if (after) this.on(after.page).set(id, after);
      return;
    }
    const changed = this.others.get(part) ?? new Map<string, Held | null>();
    this.others.set(part, changed.set(id, after));
  }

  private on(page: PageId): Map<MarkId, Mark | null> {
    let changes = this.marks.get(page);
    if (!changes) this.marks.set(page, (changes = new Map()));
    return changes;
  }

  finish(): DocState {
    const next: { -readonly [K in keyof DocState]: DocState[K] } = { ...this.from };
    if (this.marks.size > 0) {
      const pages = new Map(next.marks);
      for (const [page, changes] of this.marks)
        pages.set(page, PageMap.changed(next.marks.get(page) ?? NO_MARKS, changes));
      next.marks = pages;
    }
    for (const [part, changes] of this.others) {
      if (part === 'page')
        next.pages = changedPages(next.pages, changes as ReadonlyMap<PageId, Page | null>);
      else {
        const parts = new Map<string, Held>(next[PLACES[part]]);
        for (const [id, value] of changes)
          if (value) parts.set(id, value);
          else parts.delete(id);
        Object.assign(next, { [PLACES[part]]: parts });
      }
    }
    return next;
  }
}

/** In order; of two pages of one order the one with the lesser id is first, in every tab and after every reload. */
function changedPages(
  pages: readonly Page[],
  changes: ReadonlyMap<PageId, Page | null>,
): readonly Page[] {
  const still = pages.filter(({ id }) => !changes.has(id));
  const come = [...changes.values()].filter((page) => page !== null);
  return [...still, ...come].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
}

/**
 * The state after a transaction. Fails, changing nothing, when a part is not as `before` says.
 * @throws RangeError when a change is malformed: ids that differ, or nothing on either side
 */
export function applyTransaction(state: DocState, transaction: Transaction): Applied {
  const draft = new Draft(state);
  for (const change of transaction.changes) {
    const { part, id, before, after } = change;
    if ((!before && !after) || (before && before.id !== id) || (after && after.id !== id))
      throw new RangeError(`The change of ${part} ${id} is malformed.`);
    if (!matches(draft.held(change), change))
      return { ok: false, reason: `The ${part} ${id} is not as this change expects it.` };
    draft.make(change);
  }
  return { ok: true, state: draft.finish() };
}

const matches = <P extends PartName>(held: Held | null, { part, before }: ChangeOf<P>): boolean =>
  before ? held !== null && samePart(part, held as Parts[P], before) : held === null;

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

/** The sources that pages of a transaction show, before or after it. */
export const sourcesShownIn = ({ changes }: Transaction): readonly string[] => [
  ...new Set(
    changes.flatMap((change) =>
      change.part === 'page'
        ? [change.before, change.after].flatMap((page) =>
            page && 'source' in page.shows ? [page.shows.source] : [],
          )
        : [],
    ),
  ),
];

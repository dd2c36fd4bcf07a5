import {
  type Change,
  changeOf,
  type DocState,
  inOrder,
  markChange,
  marksOn,
  type Page,
  type Thread,
  type Transaction,
  unnumbered,
} from '../../document/index.ts';
import type { MarkId, PageId } from '../../marks/index.ts';
import { renewedMarks } from '../clip.ts';
import { numberMark } from './numberMark.ts';
import { linksAlong, type NewNames } from './linksAlong.ts';
import { chosen, labelled, placesAfter } from './places.ts';

/** What parts that are copied are called from now on, as it becomes known. */
export interface Renamed {
  readonly marks: Map<MarkId, MarkId>;
  readonly threads: Map<string, string>;
}

/** Puts copies of pages behind the last of them, with their marks and what is noted about these. */
export function duplicatePages(
  state: DocState,
  ids: Iterable<PageId>,
  newId: () => string,
): Transaction | null {
  const copied = chosen(state.pages, ids);
  if (copied.length === 0) return null;
  const { orders, moved } = placesAfter(state.pages, copied[copied.length - 1].id, copied.length);
  const notes = threadsByMark(state);
  const renamed: Renamed = { marks: new Map(), threads: new Map() };
  const pages = new Map<PageId, PageId>();
  const changes = copied.flatMap((page, k) => {
    const copy: Page = { ...unnumbered(page), id: newId(), order: orders[k] };
    pages.set(page.id, copy.id);
    const marks = marksOnto(state, page.id, copy.id, notes, newId, renamed);
    return [changeOf('page', null, copy), ...marks];
  });
  const names: NewNames = { ...renamed, pages, bookmarks: new Map() };
  return {
    label: labelled('Duplicate', copied.length),
    changes: [...moved, ...changes, ...linksAlong(state, names, true, newId)],
  };
}

/** The threads of a document by the mark they are about. */
export function threadsByMark({ threads }: DocState): ReadonlyMap<MarkId, readonly Thread[]> {
  const by = new Map<MarkId, Thread[]>();
  for (const thread of threads.values())
    by.set(thread.mark, [...(by.get(thread.mark) ?? []), thread]);
  return by;
}

/** Copies of the marks of a page on another one that lies alike, and of what is noted about them. */
export function marksOnto(
  state: DocState,
  from: PageId,
  to: PageId,
  notes: ReadonlyMap<MarkId, readonly Thread[]>,
  newId: () => string,
  renamed: Renamed,
): Change[] {
  const marks = inOrder(marksOn(state, from));
  return renewedMarks(marks, newId).flatMap((mark, k): Change[] => {
    const { locked } = marks[k];
    // A page has one printed number, which is known by its name.
    const isNumber = marks[k].id === numberMark(from);
    const own = isNumber ? { ...mark, id: numberMark(to) } : mark;
    const copy = { ...own, page: to, ...(locked ? { locked } : {}) };
    renamed.marks.set(marks[k].id, copy.id);
    const threads = (notes.get(marks[k].id) ?? []).map((thread) => {
      const id = newId();
      renamed.threads.set(thread.id, id);
      return changeOf('thread', null, {
        ...thread,
        id,
        mark: copy.id,
        remarks: thread.remarks.map((remark) => ({ ...remark, id: newId() })),
      });
    });
    return [markChange(null, copy), ...threads];
  });
}

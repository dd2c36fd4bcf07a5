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
} from '../../document/index.ts';
import type { MarkId, PageId } from '../../marks/index.ts';
import { renewedMarks } from '../clip.ts';
import { chosen, labelled, placesAfter } from './places.ts';

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
  const changes = copied.flatMap((page, k) => {
    const copy: Page = { ...page, id: newId(), order: orders[k] };
    return [changeOf('page', null, copy), ...marksOnto(state, page.id, copy.id, notes, newId)];
  });
  return { label: labelled('Duplicate', copied.length), changes: [...moved, ...changes] };
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
): Change[] {
  const marks = inOrder(marksOn(state, from));
  return renewedMarks(marks, newId).flatMap((mark, k): Change[] => {
    const { locked } = marks[k];
    const copy = { ...mark, page: to, ...(locked ? { locked } : {}) };
    const threads = (notes.get(marks[k].id) ?? []).map((thread) =>
      changeOf('thread', null, {
        ...thread,
        id: newId(),
        mark: copy.id,
        remarks: thread.remarks.map((remark) => ({ ...remark, id: newId() })),
      }),
    );
    return [markChange(null, copy), ...threads];
  });
}

import { attachmentsCarried, type DocState, marksOn, type PageMarks } from '../document/index.ts';

/** A document with some of its pages, from 0, and of what belongs to pages only what belongs to these. */
export function partOf(state: DocState, pages: readonly number[]): DocState {
  const kept = pages.map((index) => state.pages[index]).filter((page) => page !== undefined);
  const marks = new Map<string, PageMarks>(kept.map(({ id }) => [id, marksOn(state, id)]));
  const onPages = [...marks.values()];
  const threads = only(state.threads, ({ mark }) => onPages.some((some) => some.has(mark)));
  const carried = attachmentsCarried({ marks, threads });
  const worn = new Set([...threads.values()].flatMap((thread) => thread.tags));
  return {
    ...state,
    pages: kept,
    marks,
    threads,
    tags: only(state.tags, ({ id }) => worn.has(id)),
    attachments: only(state.attachments, ({ id }) => carried.has(id)),
    bookmarks: rooted(only(state.bookmarks, ({ page }) => marks.has(page))),
    links: only(state.links, ({ page }) => marks.has(page)),
  };
}

const only = <T>(all: ReadonlyMap<string, T>, which: (one: T) => boolean): ReadonlyMap<string, T> =>
  new Map([...all].filter(([, one]) => which(one)));

/** Those whose parent is gone stand at the top. */
const rooted = (bookmarks: DocState['bookmarks']): DocState['bookmarks'] =>
  new Map(
    [...bookmarks].map(([id, one]) => [
      id,
      one.parent === null || bookmarks.has(one.parent) ? one : { ...one, parent: null },
    ]),
  );

/** The pages, from 0, that carry marks. */
export const markedPages = (state: DocState): number[] =>
  state.pages.flatMap(({ id }, index) => (marksOn(state, id).size > 0 ? [index] : []));

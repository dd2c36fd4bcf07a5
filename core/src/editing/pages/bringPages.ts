import {
  attachmentsOfMark,
  attachmentsOfThread,
  type Bookmark,
  type Change,
  changeOf,
  type DocState,
  inOrder,
  markChange,
  marksOn,
  type Page,
  type Transaction,
  unnumbered,
} from '../../document/index.ts';
import { kindFor } from '../../kinds/index.ts';
import type { PageId } from '../../marks/index.ts';
import { missingAttachments } from '../missingAttachments.ts';
import { marksOnto, type Renamed, threadsByMark } from './duplicatePages.ts';
import { linksAlong } from './linksAlong.ts';
import { labelled, placesAfter } from './places.ts';

/**
 * Puts pages of another document behind a page, with their marks, what is noted about these, and their bookmarks; before all others with null. Null where there are none.
 * @param indices of its pages, from 0, in the order in which they come
 */
export function bringPages(
  state: DocState,
  after: PageId | null,
  from: DocState,
  indices: readonly number[],
  newId: () => string,
): Transaction | null {
  const coming = indices.map((index) => from.pages[index]).filter((page) => page !== undefined);
  if (coming.length === 0) return null;
  const { orders, moved } = placesAfter(state.pages, after, coming.length);
  const pages = coming.map((page, k): Page => ({
    ...unnumbered(page),
    ...{ id: newId(), order: orders[k] },
  }));
  return {
    label: labelled('Add', coming.length),
    changes: [
      ...moved,
      ...pages.map((page) => changeOf('page', null, page)),
      ...whatComesAlong(state, from, coming, pages, newId),
    ],
  };
}

/**
 * A page that shows what a page of another document shows, in its place. Its marks stay where they lie, or give way to those of the other; null where it is not there.
 * @param index of the other document's page, from 0
 */
export function replacePage(
  state: DocState,
  id: PageId,
  from: DocState,
  index: number,
  marks: 'stay' | 'go',
  newId: () => string,
): Transaction | null {
  const before = state.pages.find((page) => page.id === id);
  const other = from.pages.at(index);
  if (!before || !other) return null;
  const after: Page = {
    ...unnumbered(other),
    ...{ id, order: before.order },
    ...(before.numbering ? { numbering: before.numbering } : {}),
  };
  // What takes print out says what it takes out of the page as it was.
  const gone = inOrder(marksOn(state, id))
    .filter((mark) => marks === 'go' || kindFor(mark).takesOut)
    .map((mark) => markChange(mark, null));
  const come = marks === 'stay' ? [] : whatComesAlong(state, from, [other], [after], newId);
  return {
    label: 'Replace a page',
    changes: [changeOf('page', before, after), ...gone, ...come],
  };
}

/** What belongs to pages of another document, for the pages that they become. */
function whatComesAlong(
  state: DocState,
  from: DocState,
  were: readonly Page[],
  are: readonly Page[],
  newId: () => string,
): Change[] {
  const notes = threadsByMark(from);
  const renamed: Renamed = { marks: new Map(), threads: new Map() };
  const changes = were.flatMap((page, k) =>
    marksOnto(from, page.id, are[k].id, notes, newId, renamed),
  );
  const pages = new Map(were.map(({ id }, k) => [id, are[k].id]));
  const kept = [...from.bookmarks.values()].filter(({ page }) => pages.has(page));
  const bookmarks = new Map(kept.map(({ id }) => [id, newId()]));
  const threads = changes.flatMap((change) =>
    change.part === 'thread' && change.after ? [change.after] : [],
  );
  const tags = new Set(threads.flatMap((thread) => thread.tags));
  return [
    ...missingAttachments(state, [...from.attachments.values()]).filter(({ id }) =>
      shownBy(changes, id),
    ),
    ...[...from.tags.values()]
      .filter(({ id }) => tags.has(id) && !state.tags.has(id))
      .map((tag) => changeOf('tag', null, tag)),
    ...changes,
    ...bookmarksAlong(kept, pages, bookmarks),
    ...linksAlong(from, { ...renamed, pages, bookmarks }, false, newId),
  ];
}

/** Whether anything that comes shows an attachment. */
const shownBy = (changes: readonly Change[], id: string): boolean =>
  changes.some(
    (change) =>
      (change.part === 'mark' && change.after && attachmentsOfMark(change.after).includes(id)) ||
      (change.part === 'thread' && change.after && attachmentsOfThread(change.after).includes(id)),
  );

/** The bookmarks of pages as they become; those whose parent does not come stand at the top. */
function bookmarksAlong(
  come: readonly Bookmark[],
  pages: ReadonlyMap<PageId, PageId>,
  ids: ReadonlyMap<string, string>,
): Change[] {
  return come.map((one) => {
    const after: Bookmark = {
      ...one,
      id: ids.get(one.id) ?? one.id,
      page: pages.get(one.page) ?? one.page,
      parent: one.parent === null ? null : (ids.get(one.parent) ?? null),
    };
    return changeOf('bookmark', null, after);
  });
}

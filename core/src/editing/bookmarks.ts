import { type Bookmark, changeOf, type DocState, type Transaction } from '../document/index.ts';

/** Adds a bookmark after all others. */
export function addBookmark(
  { bookmarks }: DocState,
  bookmark: Pick<Bookmark, 'id' | 'title' | 'page' | 'at' | 'madeAt'>,
): Transaction {
  const order = Math.max(0, ...[...bookmarks.values()].map((one) => one.order)) + 1;
  const added = { ...bookmark, parent: null, order };
  return { label: 'Add a bookmark', changes: [changeOf('bookmark', null, added)] };
}

/** Gives a bookmark another title; null when it has that already, or the title says nothing. */
export function renameBookmark(bookmark: Bookmark, title: string): Transaction | null {
  const said = title.trim();
  if (said === '' || said === bookmark.title) return null;
  const change = changeOf('bookmark', bookmark, { ...bookmark, title: said });
  return { label: 'Rename a bookmark', changes: [change] };
}

export const removeBookmark = (bookmark: Bookmark): Transaction => ({
  label: 'Remove a bookmark',
  changes: [changeOf('bookmark', bookmark, null)],
});

/** Moves a bookmark among others, given in their order, by one place; null where there is no place that way. */
export function moveBookmark(
  inOrder: readonly Bookmark[],
  bookmark: Bookmark,
  by: 1 | -1,
): Transaction | null {
  const from = inOrder.indexOf(bookmark);
  const to = from + by;
  if (from < 0 || to < 0 || to >= inOrder.length) return null;
  const others = inOrder.filter((one) => one !== bookmark);
  const moved = [...others.slice(0, to), bookmark, ...others.slice(to)];
  const changes = moved.flatMap((one, order) =>
    one.order === order ? [] : [changeOf('bookmark', one, { ...one, order })],
  );
  return { label: 'Move a bookmark', changes };
}

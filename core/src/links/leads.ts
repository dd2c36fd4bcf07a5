import type { DocState, LinkTarget } from '../document/index.ts';
import type { Vec } from '../geometry/index.ts';

/** Where a link leads at the moment: a place of a page, from 0, or an address. */
export type Lead =
  | { readonly index: number; readonly at: Vec | null; readonly thread: string | null }
  | { readonly address: string };

/** Where a target is in a document; null where what it named is no longer there. */
export function leadOf(document: DocState, to: LinkTarget): Lead | null {
  if ('address' in to) return to;
  if ('bookmark' in to) {
    const bookmark = document.bookmarks.get(to.bookmark);
    return bookmark ? onPage(document, bookmark.page, bookmark.at) : null;
  }
  if ('thread' in to) {
    const thread = document.threads.get(to.thread);
    const page = thread && pageOfMark(document, thread.mark);
    return page === undefined ? null : onPage(document, page, null, to.thread);
  }
  return onPage(document, to.page, to.at);
}

function onPage(
  { pages }: DocState,
  id: string,
  at: Vec | null,
  thread: string | null = null,
): Lead | null {
  const index = pages.findIndex((page) => page.id === id);
  return index < 0 ? null : { index, at, thread };
}

function pageOfMark({ marks }: DocState, id: string): string | undefined {
  for (const [page, on] of marks) if (on.has(id)) return page;
  return undefined;
}

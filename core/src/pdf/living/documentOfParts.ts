import {
  type DocState,
  emptyDocument,
  type LinkTarget,
  type Page,
  type PageMarks,
} from '../../document/index.ts';
import type { Mark } from '../../kinds/index.ts';
import type { PageId } from '../../marks/index.ts';
import type { OwnPart } from './ownParts.ts';

/** A document with what a living copy has kept of another, on pages that lie as those did. */
export function documentOfParts(pages: readonly Page[], parts: readonly OwnPart[]): DocState {
  const before = parts.flatMap((one) => (one.part === 'page' ? [one.value.id] : []));
  const now = new Map(before.flatMap((id, k) => (pages[k] ? [[id, pages[k].id] as const] : [])));
  const state = emptyDocument(pages);
  const marks = new Map<PageId, Map<string, Mark>>();
  const rest = {
    bookmarks: new Map(state.bookmarks),
    threads: new Map(state.threads),
    tags: new Map(state.tags),
    links: new Map(state.links),
    attachments: new Map(state.attachments),
  };
  for (const { part, value } of parts) {
    const page = 'page' in value ? now.get(value.page) : undefined;
    if (part === 'mark' && page !== undefined) {
      const on = marks.get(page) ?? new Map<string, Mark>();
      marks.set(page, on.set(value.id, { ...value, page }));
    }
    if (part === 'bookmark' && page !== undefined) rest.bookmarks.set(value.id, { ...value, page });
    if (part === 'link' && page !== undefined) {
      const to = targetOn(value.to, now);
      if (to) rest.links.set(value.id, { ...value, page, to });
    }
    if (part === 'thread') rest.threads.set(value.id, value);
    if (part === 'tag') rest.tags.set(value.id, value);
    if (part === 'attachment') rest.attachments.set(value.id, value);
  }
  return { ...state, ...rest, marks: marks as ReadonlyMap<PageId, PageMarks> };
}

/** Null where it led to a page that is not there. */
function targetOn(to: LinkTarget, now: ReadonlyMap<PageId, PageId>): LinkTarget | null {
  if (!('page' in to)) return to;
  const page = now.get(to.page);
  return page === undefined ? null : { ...to, page };
}

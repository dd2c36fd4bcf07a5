import type { Mark } from '../kinds/index.ts';
import type { PageId } from '../marks/index.ts';
import type { LinkTarget, Page, PartName, Parts } from './parts/index.ts';
import { type DocState, emptyDocument, type PageMarks } from './state.ts';

/** A part of a document, with the name of what it is. */
export type NamedPart = {
  readonly [P in PartName]: { readonly part: P; readonly value: Parts[P] };
}[PartName];

/** Every part of a document, pages first and in order. */
export function partsOfDocument(document: DocState): NamedPart[] {
  const all = <P extends PartName>(part: P, values: Iterable<Parts[P]>): NamedPart[] =>
    [...values].map((value) => ({ part, value }) as NamedPart);
  return [
    ...all('page', document.pages),
    ...document.pages.flatMap(({ id }) => all('mark', document.marks.get(id)?.values() ?? [])),
    ...all('thread', document.threads.values()),
    ...all('tag', document.tags.values()),
    ...all('bookmark', document.bookmarks.values()),
    ...all('link', document.links.values()),
    ...all('attachment', document.attachments.values()),
  ];
}

/** A document with the parts of another, on pages that lie as those did. */
export function documentOfParts(pages: readonly Page[], parts: readonly NamedPart[]): DocState {
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
      const to = value.to && targetOn(value.to, now);
      if (to || value.instead) rest.links.set(value.id, { ...value, page, to });
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

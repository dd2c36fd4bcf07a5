import { type Change, changeOf, type DocState, type LinkTarget } from '../../document/index.ts';
import type { PageId } from '../../marks/index.ts';

/** What the parts that come along are called where they come to: by what they were called. */
export interface NewNames {
  readonly pages: ReadonlyMap<PageId, PageId>;
  readonly marks: ReadonlyMap<string, string>;
  readonly bookmarks: ReadonlyMap<string, string>;
  readonly threads: ReadonlyMap<string, string>;
}

/**
 * One's own links on pages, for the pages that they become. What leads to a page that comes too leads to it as it is there; what leads to something else stays
 * as it is within one document, and does not come into another one.
 */
export function linksAlong(
  from: DocState,
  names: NewNames,
  within: boolean,
  newId: () => string,
): Change[] {
  return [...from.links.values()].flatMap((link): Change[] => {
    const page = names.pages.get(link.page);
    if (page === undefined) return [];
    const to = link.to && targetAlong(link.to, names, within);
    const mark = link.mark === undefined ? undefined : names.marks.get(link.mark);
    const isLost =
      (link.to !== null && to === null && !link.instead) ||
      (mark !== link.mark && mark === undefined);
    if (isLost) return [];
    return [
      changeOf('link', null, {
        ...link,
        id: newId(),
        page,
        to,
        ...(mark === undefined ? {} : { mark }),
      }),
    ];
  });
}

function targetAlong(to: LinkTarget, names: NewNames, within: boolean): LinkTarget | null {
  if ('address' in to) return to;
  const other = <T>(is: string, known: ReadonlyMap<string, string>, as: (id: string) => T) => {
    const id = known.get(is) ?? (within ? is : undefined);
    return id === undefined ? null : as(id);
  };
  if ('bookmark' in to) return other(to.bookmark, names.bookmarks, (bookmark) => ({ bookmark }));
  if ('thread' in to) return other(to.thread, names.threads, (thread) => ({ thread }));
  return other(to.page, names.pages, (page) => ({ ...to, page }));
}

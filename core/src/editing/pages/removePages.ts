import {
  type Change,
  changeOf,
  type DocState,
  type Numbering,
  type Page,
  type Transaction,
} from '../../document/index.ts';
import type { PageId } from '../../marks/index.ts';
import { chosen, labelled } from './places.ts';

/** Takes pages out of the document; their marks stay with them, unseen. Null where no page would be left. */
export function removePages({ pages }: DocState, ids: Iterable<PageId>): Transaction | null {
  const gone = chosen(pages, ids);
  if (gone.length === 0 || gone.length === pages.length) return null;
  return {
    label: labelled('Remove', gone.length),
    changes: [...gone.map((page) => changeOf('page', page, null)), ...handedOn(pages, gone)],
  };
}

/** A numbering that began with a page which is taken out begins with the next one. */
function handedOn(pages: readonly Page[], gone: readonly Page[]): Change[] {
  const out = new Set(gone);
  const changes: Change[] = [];
  let carried: Numbering | null = null;
  for (const page of pages) {
    if (out.has(page)) carried = page.numbering ?? carried;
    else if (carried) {
      if (!page.numbering) changes.push(changeOf('page', page, { ...page, numbering: carried }));
      carried = null;
    }
  }
  return changes;
}

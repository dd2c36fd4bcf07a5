import { changeOf, type DocState, type Transaction } from '../../document/index.ts';
import type { PageId } from '../../marks/index.ts';
import { chosen, labelled } from './places.ts';

/** Takes pages out of the document; their marks stay with them, unseen. Null where no page would be left. */
export function removePages({ pages }: DocState, ids: Iterable<PageId>): Transaction | null {
  const gone = chosen(pages, ids);
  if (gone.length === 0 || gone.length === pages.length) return null;
  return {
    label: labelled('Remove', gone.length),
    changes: gone.map((page) => changeOf('page', page, null)),
  };
}

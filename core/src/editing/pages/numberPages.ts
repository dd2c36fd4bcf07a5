import {
  changeOf,
  type DocState,
  type Numbering,
  type Transaction,
  unnumbered,
} from '../../document/index.ts';
import type { PageId } from '../../marks/index.ts';

/** Has a numbering begin with a page, or with null go on as it was before it; null where nothing changes. */
export function numberPages(
  { pages }: DocState,
  from: PageId,
  numbering: Numbering | null,
): Transaction | null {
  const page = pages.find(({ id }) => id === from);
  if (!page) return null;
  const after = numbering ? { ...page, numbering } : unnumbered(page);
  return JSON.stringify(after) === JSON.stringify(page)
    ? null
    : { label: 'Number the pages', changes: [changeOf('page', page, after)] };
}

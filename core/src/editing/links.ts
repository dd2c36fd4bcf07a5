import { boundsOf } from '../derived/index.ts';
import {
  type Change,
  changeOf,
  type DocState,
  markChangesIn,
  type OwnLink,
  type Transaction,
} from '../document/index.ts';
import type { Mark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';

export const addLinks = (links: readonly OwnLink[]): Transaction => ({
  label: links.length === 1 ? 'Link' : `Make ${links.length} links`,
  changes: links.map((link) => changeOf('link', null, link)),
});

/** Leads a link elsewhere, or frames it; null where it is so already. */
export function changeLink(
  link: OwnLink,
  change: Partial<Pick<OwnLink, 'to' | 'framed'>>,
): Transaction | null {
  const after = { ...link, ...change };
  return JSON.stringify(after) === JSON.stringify(link)
    ? null
    : { label: 'Change a link', changes: [changeOf('link', link, after)] };
}

/** A link of a file, by where it lies. */
export type LinkOfFile = Pick<OwnLink, 'page' | 'area'>;

/** Takes links away, one's own and those of the file: of these it is kept that they are not to be there. */
export function removeLinks(
  links: readonly (OwnLink | LinkOfFile)[],
  newId: () => string,
): Transaction {
  const label = links.length === 1 ? 'Remove a link' : `Remove ${links.length} links`;
  const changes = links.map((link) => {
    if (!('id' in link)) {
      const { page, area } = link;
      const gone = { id: newId(), page, area, instead: area, to: null, framed: false };
      return changeOf('link', null, gone);
    }
    const gone = link.instead ? { ...link, to: null, framed: false } : null;
    return changeOf('link', link, gone);
  });
  return { label, changes };
}

/**
 * A transaction with what it means for links over marks: they go where their mark goes, and go with it. The same transaction where that concerns none.
 */
export function keepLinks(state: DocState, transaction: Transaction): Transaction {
  if (![...state.links.values()].some(({ mark }) => mark !== undefined)) return transaction;
  const now = new Map<MarkId, Mark | null>();
  for (const { id, after } of markChangesIn(transaction)) now.set(id, after ?? now.get(id) ?? null);
  const ownChanges = new Set(
    transaction.changes.flatMap(({ part, id }) => (part === 'link' ? [id] : [])),
  );
  const changes = [...state.links.values()].flatMap((link): Change[] => {
    const mark = link.mark === undefined ? undefined : now.get(link.mark);
    if (mark === undefined || ownChanges.has(link.id)) return [];
    if (mark === null) return [changeOf('link', link, null)];
    const area = boundsOf(mark);
    const isSame = mark.page === link.page && JSON.stringify(area) === JSON.stringify(link.area);
    return isSame ? [] : [changeOf('link', link, { ...link, page: mark.page, area })];
  });
  return changes.length === 0
    ? transaction
    : { ...transaction, changes: [...transaction.changes, ...changes] };
}

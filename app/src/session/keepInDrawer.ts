import type { Attachment } from '@marginalis/core/document';
import type { DrawerItem } from '@marginalis/core/drawer';
import type { DocumentSession } from './documentSession';
import { useDrawer } from './drawer';

/** An order after all that is in the drawer. */
export const lastOrder = (items: readonly DrawerItem[]): number =>
  1 + items.reduce((most, { order }) => Math.max(most, order), 0);

/** Keeps things in the drawer; says so where there is no room. */
export async function keepInDrawer(
  { notices }: Pick<DocumentSession, 'notices'>,
  items: readonly DrawerItem[],
  attachments: readonly Attachment[] = [],
): Promise<boolean> {
  try {
    await useDrawer.getState().keep(items, attachments);
    return true;
  } catch (e) {
    console.warn('The drawer could not be kept.', e);
    notices.tell('There is no room left in this browser’s storage: the drawer is as it was.');
    return false;
  }
}

/** That a thing of the drawer was used is a help for finding it, no more: where it cannot be kept it is let be. */
export const noteUsed = (item: DrawerItem): Promise<void> =>
  useDrawer
    .getState()
    .keep([{ ...item, uses: item.uses + 1, usedAt: Date.now() }])
    .catch(console.warn);

import type { DrawerItem } from '@marginalis/core/drawer';
import { type DocumentSession, keepInDrawer, useDrawer } from '@/session';
import { readDrawerPictures } from '@/storage';

/** Takes a thing out of the drawer for good, unless that is undone. */
export async function removeItem(session: DocumentSession, item: DrawerItem): Promise<void> {
  const pictures = await readDrawerPictures(item.attachments);
  await useDrawer.getState().remove([item]);
  session.notices.offerUndo({
    text: `“${item.name}” is no longer in the drawer.`,
    undo: () => void keepInDrawer(session, [item], pictures),
  });
}

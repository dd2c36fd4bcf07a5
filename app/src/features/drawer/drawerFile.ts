import {
  DrawerFileError,
  type DrawerItem,
  LARGEST_DRAWER,
  readDrawer,
  writeDrawer,
} from '@marginalis/core/drawer';
import { type DocumentSession, keepInDrawer, lastOrder, useDrawer } from '@/session';
import { readDrawerPictures } from '@/storage';
import { download, pickFile } from '@/ui';

/** Gives the person all of the drawer as one file. */
export async function saveDrawer(
  { notices }: DocumentSession,
  items: readonly DrawerItem[],
): Promise<void> {
  const ids = [...new Set(items.flatMap(({ attachments }) => attachments))];
  const pictures = await readDrawerPictures(ids);
  if (pictures.length < ids.length)
    notices.tell('Some pictures of the drawer are no longer in this browser: the file lacks them.');
  const text = writeDrawer(items, pictures);
  download(new File([text], 'drawer.json', { type: 'application/json' }));
}

/** Adds what a file of a drawer holds; what is here already, by its id, becomes what the file says. */
export async function openDrawerFile(
  session: DocumentSession,
  items: readonly DrawerItem[],
): Promise<void> {
  const { notices } = session;
  const file = await pickFile('.json,application/json');
  if (!file) return;
  try {
    if (file.size > LARGEST_DRAWER) throw new DrawerFileError('This file is too large.');
    const { items: found, attachments, left } = readDrawer(await file.text());
    const known = new Map(items.map((item) => [item.id, item]));
    let order = lastOrder(items);
    const come = found.map((item) => ({ ...item, order: known.get(item.id)?.order ?? order++ }));
    if (come.length > 0 && !(await keepInDrawer(session, come, attachments))) return;
    const count = come.length === 1 ? '1 thing' : `${come.length} things`;
    const rest = left > 0 ? ` ${left} could not be read and were left.` : '';
    notices.offerUndo({
      text: `${count} came into the drawer.${rest}`,
      undo: () => void takeBack(session, come, known),
    });
  } catch (e) {
    if (!(e instanceof DrawerFileError)) throw e;
    notices.tell(`${file.name}: ${e.message} The drawer is as it was.`);
  }
}

/** What came goes again; what was replaced is as it was. */
async function takeBack(
  session: DocumentSession,
  come: readonly DrawerItem[],
  known: ReadonlyMap<string, DrawerItem>,
): Promise<void> {
  await useDrawer.getState().remove(come.filter(({ id }) => !known.has(id)));
  await keepInDrawer(
    session,
    come.flatMap(({ id }) => known.get(id) ?? []),
  );
}

import { type DrawerItem, takeOut } from '@marginalis/core/drawer';
import { boxCentre } from '@marginalis/core/geometry';
import type { StampDesign } from '@marginalis/core/stamps';
import { noteUsed, stampFieldsFor, useSettings } from '@/session';
import { putStamp, type Reader, type Spot, spotInSight } from '@/shell';
import { readDrawerPictures } from '@/storage';
import type { DrawerAsked } from './asked';

/** A signature is about as high as those that are written on a line, points. */
const SIGNATURE = { width: 170, height: 34 };

/** Puts a thing of the drawer on a page, and picks it; where nothing is asked for in the middle of what is in sight. */
export async function takeFromDrawer(
  reader: Reader,
  item: DrawerItem,
  { spot, room }: DrawerAsked,
): Promise<void> {
  if (item.design) return takeStamp(reader, item, item.design, spot);
  const { session, stage } = reader;
  const attachments = await readDrawerPictures(item.attachments);
  if (attachments.length < item.attachments.length)
    return session.notices.tell(
      `A picture of “${item.name}” is no longer in this browser: nothing was put on the page.`,
    );
  const { index, at } = spot ?? spotInSight(reader);
  const page = stage.pages[index];
  const now = new Date();
  const size = room ?? (item.sort === 'signature' ? SIGNATURE : undefined);
  const { document } = session.store.getState();
  const transaction = takeOut(document, item, attachments, {
    page,
    at: at ?? boxCentre(page.box),
    ...(size ? { room: size } : {}),
    fields: { ...stampFieldsFor(session, index, now), number: String(item.uses + 1) },
    newId: () => crypto.randomUUID(),
    madeAt: now.getTime(),
    author: useSettings.getState().author,
  });
  if (!transaction || !session.dispatch(transaction)) return;
  const put = transaction.changes.filter(({ part }) => part === 'mark').map(({ id }) => id);
  session.inHand.pick(put);
  await noteUsed(item);
}

/** Its outline fits what is filled in this time. */
async function takeStamp(
  reader: Reader,
  item: DrawerItem,
  design: StampDesign,
  spot: Spot | null,
): Promise<void> {
  try {
    if (await putStamp(reader, design, spot, item.uses + 1)) await noteUsed(item);
  } catch (e) {
    console.warn('A stamp could not be set.', e);
    reader.session.notices.tell('The face of the stamp could not be loaded: nothing was put.');
  }
}

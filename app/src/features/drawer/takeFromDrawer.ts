import { type DrawerItem, takeOut } from '@marginalis/core/drawer';
import {
  boxCentre,
  displayMatrix,
  invertMatrix,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { answerLineAt } from '@marginalis/core/print';
import { noteUsed, stampFieldsFor, useSettings } from '@/session';
import { answersOn, putStamp, type Reader, spotInSight } from '@/shell';
import { readDrawerPictures } from '@/storage';
import type { DrawerAsked } from './asked';
import { takeLook } from './takeLook';

/** A signature is about as high as those that are written on a line, points. */
const SIGNATURE = { width: 170, height: 34 };

/** None is lower, points; a place so near to a line means it. */
const LOWEST = 14;
const LINE_REACH = 12;

interface OnLine {
  readonly at: Vec;
  readonly room: { readonly width: number; readonly height: number };
}

/** Puts a thing of the drawer on a page, and picks it; where nothing is asked for in the middle of what is in sight. */
export async function takeFromDrawer(
  reader: Reader,
  item: DrawerItem,
  { spot, room }: DrawerAsked,
): Promise<void> {
  if (item.sort === 'look') return takeLook(reader, item);
  // Its outline fits what is filled in this time.
  if (item.design) return putStamp(reader, item.design, spot, item);
  const { session, stage } = reader;
  const attachments = await readDrawerPictures(item.attachments);
  if (attachments.length < item.attachments.length)
    return session.notices.tell(
      `A picture of “${item.name}” is no longer in this browser: nothing was put on the page.`,
    );
  const { index, at } = spot ?? spotInSight(reader);
  const page = stage.pages[index];
  const now = new Date();
  const line = item.sort === 'signature' && !room && at ? await lineAt(reader, index, at) : null;
  const size = room ?? line?.room ?? (item.sort === 'signature' ? SIGNATURE : undefined);
  const { document } = session.store.getState();
  const transaction = takeOut(document, item, attachments, {
    page,
    at: line?.at ?? at ?? boxCentre(page.box),
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

/** Where a signature stands on a printed line that is meant by a place, and what room it has there; null where none is. */
async function lineAt(reader: Reader, index: number, at: Vec): Promise<OnLine | null> {
  const display = displayMatrix(reader.stage.pages[index]);
  const { x } = transform(display, at);
  const line = answerLineAt(await answersOn(reader, index), transform(display, at), LINE_REACH);
  if (!line) return null;
  const width = Math.min(SIGNATURE.width, line.to - line.from);
  const height = Math.min(SIGNATURE.height, Math.max(LOWEST, line.room));
  const middle = Math.min(line.to - width / 2, Math.max(line.from + width / 2, x));
  return {
    at: transform(invertMatrix(display), { x: middle, y: line.y }),
    room: { width, height },
  };
}

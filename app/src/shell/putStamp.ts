import { markChange, nextOrder } from '@marginalis/core/document';
import { boxCentre } from '@marginalis/core/geometry';
import { type StampDesign, stampAt } from '@marginalis/core/stamps';
import { stampFieldsFor, useSettings } from '@/session';
import { setStamp } from '@/stage';
import type { Reader } from './feature';
import { type Spot, spotInSight } from './spotInSight';

/**
 * Puts a stamp on a page, and picks it; where nothing is asked for in the middle of what is in sight. False when nothing was put. Rejects when its face cannot be
 * loaded.
 * @param number how often it was put on pages, this time too; nothing where nobody counts
 */
export async function putStamp(
  reader: Reader,
  design: StampDesign,
  asked: Spot | null,
  number?: number,
): Promise<boolean> {
  const { session, stage } = reader;
  const { index, at } = asked ?? spotInSight(reader);
  const page = stage.pages[index];
  const now = new Date();
  const { document } = session.store.getState();
  const fields = stampFieldsFor(session, index, now);
  const known = number === undefined ? fields : { ...fields, number: String(number) };
  const stamp = await setStamp(design, known, {
    ...{ id: crypto.randomUUID(), page: page.id, order: nextOrder(document, page.id) },
    ...{ madeAt: now.getTime(), author: useSettings.getState().author },
  });
  if (!stamp) {
    session.notices.tell('This stamp says your name only, and you have not said it yet.');
    return false;
  }
  const put = stampAt(stamp, page, at ?? boxCentre(page.box));
  const changes = [markChange(null, put)];
  if (!session.dispatch({ label: 'Put a stamp', changes })) return false;
  session.inHand.pick([put.id]);
  return true;
}

import { markChange, nextOrder } from '@marginalis/core/document';
import { boxCentre } from '@marginalis/core/geometry';
import { type StampDesign, stampAt } from '@marginalis/core/stamps';
import { stampFieldsFor, useSettings } from '@/session';
import { type Reader, type Spot, spotInSight } from '@/shell';
import { setStamp } from './setStamp';

/** Puts a stamp on a page, and picks it; where nothing is asked for in the middle of what is in sight. */
export async function putStamp(
  reader: Reader,
  design: StampDesign,
  asked: Spot | null,
): Promise<void> {
  const { session, stage } = reader;
  const { index, at } = asked ?? spotInSight(reader);
  const page = stage.pages[index];
  const now = new Date();
  const { document } = session.store.getState();
  const stamp = await setStamp(design, stampFieldsFor(session, index, now), {
    ...{ id: crypto.randomUUID(), page: page.id, order: nextOrder(document, page.id) },
    ...{ madeAt: now.getTime(), author: useSettings.getState().author },
  });
  if (!stamp)
    return session.notices.tell('This stamp says your name only, and you have not said it yet.');
  const put = stampAt(stamp, page, at ?? boxCentre(page.box));
  const changes = [markChange(null, put)];
  if (session.dispatch({ label: 'Put a stamp', changes })) session.inHand.pick([put.id]);
}

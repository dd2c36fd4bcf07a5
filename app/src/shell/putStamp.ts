import { markChange, nextOrder } from '@marginalis/core/document';
import type { DrawerItem } from '@marginalis/core/drawer';
import { boxCentre } from '@marginalis/core/geometry';
import type { StampMark } from '@marginalis/core/kinds';
import { type StampDesign, stampAt } from '@marginalis/core/stamps';
import { noteUsed, stampFieldsFor, useSettings } from '@/session';
import { setStamp } from '@/stage';
import type { Reader } from './feature';
import { type Spot, spotInSight } from './spotInSight';

/**
 * Puts a stamp on a page, and picks it; where nothing is asked for in the middle of what is in sight. What hinders it is told.
 * @param own the thing of the drawer that it is, which counts how often it was used
 */
export async function putStamp(
  reader: Reader,
  design: StampDesign,
  asked: Spot | null,
  own?: DrawerItem,
): Promise<void> {
  const { session, stage } = reader;
  const { index, at } = asked ?? spotInSight(reader);
  const page = stage.pages[index];
  const now = new Date();
  const { document } = session.store.getState();
  const fields = {
    ...stampFieldsFor(session, index, now),
    ...(own ? { number: String(own.uses + 1) } : {}),
  };
  let stamp: StampMark | null;
  try {
    stamp = await setStamp(design, fields, {
      ...{ id: crypto.randomUUID(), page: page.id, order: nextOrder(document, page.id) },
      ...{ madeAt: now.getTime(), author: useSettings.getState().author },
    });
  } catch (e) {
    console.warn('A stamp could not be set.', e);
    return session.notices.tell('The face of the stamp could not be loaded: nothing was put.');
  }
  if (!stamp)
    return session.notices.tell('This stamp says your name only, and you have not said it yet.');
  const put = stampAt(stamp, page, at ?? boxCentre(page.box));
  if (!session.dispatch({ label: 'Put a stamp', changes: [markChange(null, put)] })) return;
  session.inHand.pick([put.id]);
  if (own) await noteUsed(own);
}

import { changeEquation, putEquation, type SetTex } from '@marginalis/core/editing';
import { boxCentre } from '@marginalis/core/geometry';
import type { MarkStyle } from '@marginalis/core/marks';
import { typingInstrument, useSettings } from '@/session';
import { type Reader, spotInSight } from '@/shell';
import type { EquationAsked } from './asked';

/** Points to the em. */
export const SMALLEST = 4;
export const LARGEST = 200;

/** An equation looks like what is typed beside it. */
export function styleOfNew({ session }: Reader): {
  readonly style: MarkStyle;
  readonly size: number;
} {
  const { colour, size } = typingInstrument(session);
  return { style: { colour, width: 1, opacity: 1 }, size };
}

/** Puts an equation on the page, or changes the one that was asked for, and picks it. */
export function keepEquation(reader: Reader, { id, spot }: EquationAsked, set: SetTex): void {
  const { session, stage } = reader;
  const { document } = session.store.getState();
  if (id !== null) {
    const change = changeEquation(document, id, set);
    if (change && session.dispatch(change)) session.inHand.pick([id]);
    return;
  }
  const { index, at } = spot ?? spotInSight(reader);
  const page = stage.pages[index];
  const own = crypto.randomUUID();
  const transaction = putEquation(document, {
    ...set,
    ...{ id: own, page, at: at ?? boxCentre(page.box), style: styleOfNew(reader).style },
    ...{ madeAt: Date.now(), author: useSettings.getState().author },
  });
  if (session.dispatch(transaction)) session.inHand.pick([own]);
}

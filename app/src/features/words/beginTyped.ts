import { firstWordSeen } from '@marginalis/core/print';
import type { Reader } from '@/shell';
import { asChosen, partsBetween } from './partsBetween';

/** Puts the caret on the first word in sight. */
export async function beginTyped({ session, stage }: Reader): Promise<void> {
  const { current } = stage.getSight();
  const { pages } = session.store.getState().document;
  try {
    const print = await session.print.of(pages[current]);
    const word = firstWordSeen(print, (at) => stage.isInSight(current, at));
    if (!word) return session.notices.tell('No words can be read on this page.');
    const caret = { page: current, place: word.from };
    const known = () => print;
    session.words.type(asChosen(partsBetween(pages, known, caret, caret)), {
      anchor: caret,
      caret,
    });
  } catch (e) {
    session.notices.tell(e instanceof Error ? e.message : String(e));
  }
}

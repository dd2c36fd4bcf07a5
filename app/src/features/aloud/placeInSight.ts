import { firstWordSeen } from '@marginalis/core/print';
import type { WordEnd } from '@/session';
import type { Reader } from '@/shell';

/** The first word in sight; the beginning of the page in sight where none of it can be read. */
export async function placeInSight({ session, stage }: Reader): Promise<WordEnd> {
  const page = stage.getSight().current;
  try {
    const print = await session.print.of(session.store.getState().document.pages[page]);
    const word = firstWordSeen(print, (at) => stage.isInSight(page, at));
    return { page, place: word?.from ?? 0 };
  } catch {
    // Reading itself says what is wrong.
    return { page, place: 0 };
  }
}

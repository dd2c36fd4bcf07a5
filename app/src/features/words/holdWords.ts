import type { Page } from '@marginalis/core/document';
import { placeNear, type Print } from '@marginalis/core/print';
import type { WordEnd } from '@/session';
import type { Reader } from '@/shell';
import type { Follower, Touch } from '@/stage';
import { asChosen, partsBetween } from './partsBetween';

/** Farther from any word than this, points, a finger holds none. */
const REACH = 16;

/** A finger that holds a word selects it, and goes on over others; null where there is no word, or none can be read. */
export function holdWords(
  { session, stage }: Reader,
  touch: Touch,
): Follower | null | Promise<Follower | null> {
  const pages = (): readonly Page[] => session.store.getState().document.pages;
  const known = (page: Page): Print | null => session.print.known(page);
  const page = pages()[touch.index];

  const begin = (print: Print): Follower | null => {
    const place = placeNear(print, touch.user, REACH);
    if (place === null) return null;
    const from: WordEnd = { page: touch.index, place };
    /** Where the finger was last over words. */
    let last = from;
    let isDone = false;
    const show = (over: PointerEvent | null): void => {
      const hit = over && stage.pageAt(stage.fromClient(over.clientX, over.clientY));
      const there = hit && known(pages()[hit.index]);
      const at = hit && there ? placeNear(there, hit.user) : null;
      if (hit && at !== null) last = { page: hit.index, place: at };
      session.words.change(asChosen(partsBetween(pages(), known, from, last)), !isDone);
    };
    session.inHand.pick([]);
    session.offers.dismiss();
    show(null);
    return {
      move: show,
      end() {
        isDone = true;
        show(null);
      },
      cancel: () => session.words.choose([]),
    };
  };

  const read = known(page);
  if (read) return begin(read);
  return session.print.of(page).then(begin, (e: unknown) => {
    session.notices.tell(e instanceof Error ? e.message : String(e));
    return null;
  });
}

import type { Page } from '@marginalis/core/document';
import { placeNear, type Print } from '@marginalis/core/print';
import type { WordEnd } from '@/session';
import type { Reader } from '@/shell';
import type { Follower, Touch } from '@/stage';
import { asChosen, partsBetween } from './partsBetween';

/** Farther from any word than this, points, a finger holds none. */
const REACH = 16;

/** A finger that holds a word selects it, and goes on over others; null where it is known that there is no word. */
export function holdWords({ session, stage }: Reader, touch: Touch): Follower | null {
  const pages = (): readonly Page[] => session.store.getState().document.pages;
  const known = (page: Page): Print | null => session.print.known(page);
  const page = pages()[touch.index];
  const placeOf = (print: Print): number | null => placeNear(print, touch.user, REACH);
  const read = known(page);
  if (read && placeOf(read) === null) return null;

  let from: WordEnd | null = null;
  let over: PointerEvent | null = null;
  let isDone = false;
  let isCalledOff = false;
  /** Where the finger is by now, or was last over words. */
  let last: WordEnd | null = null;
  const show = (): void => {
    if (!from) return;
    const at = over && stage.fromClient(over.clientX, over.clientY);
    const hit = at && stage.pageAt(at);
    const print = hit && known(pages()[hit.index]);
    const place = hit && print ? placeNear(print, hit.user) : null;
    if (hit && place !== null) last = { page: hit.index, place };
    const parts = partsBetween(pages(), known, from, last ?? from);
    session.words.change(asChosen(parts), !isDone);
  };
  const begin = (print: Print): void => {
    const place = placeOf(print);
    if (place === null || isCalledOff) return;
    from = { page: touch.index, place };
    session.inHand.pick([]);
    session.offers.dismiss();
    show();
  };
  if (read) begin(read);
  else
    session.print.of(page).then(begin, (e: unknown) => {
      session.notices.tell(e instanceof Error ? e.message : String(e));
    });
  return {
    move(e) {
      over = e;
      show();
    },
    end() {
      isDone = true;
      show();
    },
    cancel() {
      isCalledOff = true;
      if (from) session.words.choose([]);
    },
  };
}

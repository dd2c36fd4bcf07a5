import type { Transaction } from '@marginalis/core/document';
import {
  duplicatePages,
  interleavePages,
  movePages,
  removePages,
  reversePages,
  turnPages,
} from '@marginalis/core/editing';
import type { PageId } from '@marginalis/core/marks';
import type { DocumentSession } from '@/session';

type Ids = readonly PageId[];

/** What is done to pages; each is one step that can be undone. False where nothing was done. */
export function changePages(session: DocumentSession) {
  const now = () => session.store.getState().document;
  const done = (transaction: Transaction | null): boolean =>
    transaction !== null && session.dispatch(transaction);
  return {
    turn: (ids: Ids, by: 90 | 180 | 270) => done(turnPages(now(), ids, by)),
    duplicate: (ids: Ids) => done(duplicatePages(now(), ids, () => crypto.randomUUID())),
    move: (ids: Ids, after: PageId | null) => done(movePages(now(), ids, after)),
    reverse: (ids: Ids) => done(reversePages(now(), ids)),
    interleave: (ids: Ids, isTurned: boolean) => done(interleavePages(now(), ids, isTurned)),
    remove(ids: Ids): boolean {
      const removing = removePages(now(), ids);
      if (!removing)
        session.notices.tell('A document keeps one page at least: these were not removed.');
      return done(removing);
    },
  };
}

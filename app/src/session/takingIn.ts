import { type Elsewhere, overPrint } from '@marginalis/core/annotations';
import type { Change, Page } from '@marginalis/core/document';
import { takeIn } from '@marginalis/core/editing';
import { asWords, isArea, type Mark } from '@marginalis/core/kinds';
import type { Print } from '@marginalis/core/print';
import { PrintError } from '@/work';
import type { DocumentSession } from './documentSession';
import type { Returned } from './returned';
import { whenOpened } from './whenOpened';

/** What is to be taken into a document when it is opened next. */
const waiting = new Map<string, Returned>();

/** Has what was done to a copy elsewhere taken into a document as soon as it is opened. */
export const takeInWhenOpened = (id: string, returned: Returned): void => {
  waiting.set(id, returned);
};

/** Takes into a document what waits for it, in a step that can be taken back. */
export async function takeInWaiting(session: DocumentSession): Promise<void> {
  const returned = waiting.get(session.desk.id);
  if (!returned) return;
  await whenOpened(session);
  if (!session.store.getState().writable) return;
  waiting.delete(session.desk.id);
  await takeInElsewhere(session, returned.pages, returned.elsewhere);
}

/** Takes what was marked elsewhere into an open document, in a step that can be taken back, and says so; `sent` are the pages as the marks call them. */
export async function takeInElsewhere(
  session: DocumentSession,
  sent: readonly Page[],
  elsewhere: Elsewhere,
): Promise<void> {
  const ids = pagesHere(sent, session.store.getState().document.pages);
  const pageOf = (page: string): string | null => ids.get(page) ?? null;
  const changes = await withWords(session, elsewhere.changes, pageOf);
  const { transaction, kept } = takeIn(session.store.getState().document, changes, pageOf);
  const done = transaction !== null && session.dispatch(transaction);
  const text = takenInWords(done, kept);
  if (done) session.notices.offerUndo({ text, undo: () => void session.undo() });
  else session.notices.tell(text);
}

function takenInWords(done: boolean, kept: number): string {
  const here =
    kept > 0
      ? ` ${kept} that you have changed here too ${kept === 1 ? 'stays' : 'stay'} as here.`
      : '';
  return (done ? 'What was marked elsewhere is here now.' : 'Nothing was new.') + here;
}

/** What the pages of a copy are called here: by what they show; where another program has written that anew, in order. */
function pagesHere(
  sent: readonly Page[],
  here: readonly Page[],
): ReadonlyMap<string, string | null> {
  const found = sent.map((page) => here.find((one) => showsSame(one, page)) ?? null);
  const isKnown = found.some((page) => page !== null);
  return new Map(sent.map(({ id }, k) => [id, (isKnown ? found[k]?.id : here[k]?.id) ?? null]));
}

const showsSame = (a: Page, b: Page): boolean =>
  'source' in a.shows && 'source' in b.shows
    ? a.shows.source === b.shows.source && a.shows.index === b.shows.index
    : a.id === b.id;

/** Marks that were drawn over print elsewhere learn the words they lie on. */
async function withWords(
  session: DocumentSession,
  changes: readonly Change[],
  pageOf: (page: string) => string | null,
): Promise<Change[]> {
  const { pages } = session.store.getState().document;
  const prints = new Map<string, Print>();
  for (const change of changes) {
    const words = change.part === 'mark' && change.after ? asWords(change.after) : null;
    const page = words && isArea(words) ? pages.find(({ id }) => id === pageOf(words.page)) : null;
    if (!words || !page || prints.has(words.page)) continue;
    try {
      prints.set(words.page, await session.print.of(page));
    } catch (e) {
      // What lies on a page that cannot be read stays an area.
      if (!(e instanceof PrintError)) throw e;
    }
  }
  const found = (mark: Mark): Mark =>
    overPrint({ marks: [mark], threads: [] }, (page) => prints.get(page) ?? null).marks[0];
  return changes.map((change) => {
    if (change.part !== 'mark' || !change.after) return change;
    const words = asWords(change.after);
    return words && isArea(words) ? { ...change, after: found(words) } : change;
  });
}

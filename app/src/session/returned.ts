import { type Elsewhere, overPrint } from '@marginalis/core/annotations';
import { type Change, type NamedPart, type Page } from '@marginalis/core/document';
import { takeIn } from '@marginalis/core/editing';
import { createJournal } from '@marginalis/core/journal';
import { asWords, isArea, type Mark } from '@marginalis/core/kinds';
import type { Print } from '@marginalis/core/print';
import { createJournalStore, type DeskDocument } from '@/storage';
import { PrintError } from '@/work';
import type { DocumentSession } from './documentSession';
import { pagesAsCame } from './pagesAsCame';

/** A living copy that has been marked further with another program, and what has been done to it. */
export interface Returned {
  readonly elsewhere: Elsewhere;
  /** Its pages, as its marks call them. */
  readonly pages: readonly Page[];
}

/** Whether anything has been done to it. */
export const isReturned = ({ changes, left }: Elsewhere): boolean =>
  changes.length > 0 || left.length > 0;

/** The document of these that a copy was sent from: it shows the same source, and has one of its marks. Null where none is. */
export async function sentFrom(
  documents: readonly DeskDocument[],
  parts: readonly NamedPart[],
): Promise<DeskDocument | null> {
  const sent = new Set(parts.flatMap((one) => (one.part === 'mark' ? [one.value.id] : [])));
  for (const document of documents) {
    const { state } = await createJournal(createJournalStore(document.id)).open(
      pagesAsCame(document),
    );
    for (const marks of state.marks.values())
      for (const id of marks.keys()) if (sent.has(id)) return document;
  }
  return null;
}

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
  await opened(session);
  if (!session.store.getState().writable) return;
  waiting.delete(session.desk.id);
  const { pages } = session.store.getState().document;
  const ids = pagesHere(returned.pages, pages);
  const pageOf = (page: string): string | null => ids.get(page) ?? null;
  const changes = await withWords(session, returned.elsewhere.changes, pageOf);
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

const opened = (session: DocumentSession): Promise<void> =>
  new Promise((resolve) => {
    const look = (): void => {
      if (session.store.getState().phase === 'opening') return;
      unsubscribe();
      resolve();
    };
    const unsubscribe = session.store.subscribe(look);
    look();
  });

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

const counted = (n: number, what: string): string[] => (n > 0 ? [`${n} ${what}`] : []);
/** More people are not named. */
const MOST_NAMED = 3;

/** What has been done to a copy elsewhere, in words: "“Tide log” has come back, marked further elsewhere by Tom: 2 new, 1 gone." */
export function returnedInWords(title: string, elsewhere: Elsewhere): string {
  const { added, changed, removed, authors, left } = elsewhere;
  const what = [
    ...counted(added, 'new'),
    ...counted(changed, 'changed'),
    ...counted(removed, 'gone'),
  ].join(', ');
  const isNamed = authors.length > 0 && authors.length <= MOST_NAMED;
  const who = isNamed ? ` by ${authors.join(', ')}` : '';
  const said = `“${title}” has come back, marked further elsewhere${who}${what && `: ${what}`}.`;
  if (left.length === 0) return said;
  const cannot = left.length === 1 ? 'thing was added that' : 'things were added that';
  return `${said} ${left.length} ${cannot} cannot be taken in.`;
}

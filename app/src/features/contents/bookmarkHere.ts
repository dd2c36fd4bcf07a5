import type { Page } from '@marginalis/core/document';
import { addBookmark } from '@marginalis/core/editing';
import { firstWordSeen, textOf } from '@marginalis/core/print';
import type { Reader } from '@/shell';
import { naming } from './naming';

/** A title is no longer than this: one line of the panel. */
const LONGEST = 60;

/** Puts a bookmark where the window's head is, named after the first words seen there; its id, or null. */
export async function bookmarkHere(reader: Reader): Promise<string | null> {
  const { session, stage } = reader;
  const { current } = stage.getSight();
  const page = session.store.getState().document.pages[current];
  if (!page) return null;
  const corner = stage.toUser(current, { x: 0, y: 0 });
  const title =
    (await firstWords(reader, page, current)) || `Page ${session.guide.nameOf(current)}`;
  const id = crypto.randomUUID();
  const bookmark = { id, title, page: page.id, at: corner, madeAt: Date.now() };
  if (!session.dispatch(addBookmark(session.store.getState().document, bookmark))) return null;
  naming.setState({ id });
  return id;
}

/** The line of the first word in sight; empty where the page cannot be read. */
async function firstWords({ session, stage }: Reader, page: Page, index: number): Promise<string> {
  try {
    const print = await session.print.of(page);
    const word = firstWordSeen(print, (at) => stage.isInSight(index, at));
    if (!word) return '';
    const words = textOf(print, print.lines[word.line]);
    return words.length <= LONGEST ? words : `${words.slice(0, LONGEST).replace(/\s\S*$/u, '')}…`;
  } catch {
    // Such a page is named by its number.
    return '';
  }
}

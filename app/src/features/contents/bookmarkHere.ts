import type { Page } from '@marginalis/core/document';
import { addBookmark } from '@marginalis/core/editing';
import { boxCentre, displayMatrix, transform, type Vec } from '@marginalis/core/geometry';
import { textOf } from '@marginalis/core/print';
import type { Reader } from '@/shell';
import { naming } from './naming';

/** A title is no longer than this: one line of the panel. */
const LONGEST = 60;

/** Puts a bookmark where the window's head is, named after the first words seen there; its id, or null. */
export async function bookmarkHere({ session, stage }: Reader): Promise<string | null> {
  const { current } = stage.getSight();
  const page = session.store.getState().document.pages[current];
  if (!page) return null;
  const corner = stage.toUser(current, { x: 0, y: 0 });
  const title =
    (await firstWords(session, page, corner)) || `Page ${session.guide.nameOf(current)}`;
  const id = crypto.randomUUID();
  const bookmark = { id, title, page: page.id, at: corner, madeAt: Date.now() };
  if (!session.dispatch(addBookmark(session.store.getState().document, bookmark))) return null;
  naming.setState({ id });
  return id;
}

async function firstWords(session: Reader['session'], page: Page, corner: Vec): Promise<string> {
  try {
    const print = await session.print.of(page);
    const matrix = displayMatrix(page);
    const { y } = transform(matrix, corner);
    const line = print.lines.find(
      ({ box, running }) => !running && transform(matrix, boxCentre(box)).y > y,
    );
    if (!line) return '';
    const words = textOf(print, line);
    return words.length <= LONGEST ? words : `${words.slice(0, LONGEST).replace(/\s\S*$/u, '')}…`;
  } catch {
    // A page whose print cannot be read is named by its number.
    return '';
  }
}

import { type DocState, sourcesOfPages } from '@marginalis/core/document';
import { createJournal } from '@marginalis/core/journal';
import { createJournalStore, type DeskDocument, keepDocument } from '@/storage';
import { noRoom } from './noRoom';
import { pagesAsCame } from './pagesAsCame';

/**
 * Lays a document on the desk that has some pages of one that is there, with all that is on them. Its sources are the same, so that no file is written.
 * @param picture of its first page, as a data URL
 * @returns null, or why it could not be laid there
 */
export async function layPages(
  from: DeskDocument,
  title: string,
  document: DocState,
  picture: string | null,
  now: number,
): Promise<string | null> {
  const others = sourcesOfPages(document.pages).filter((source) => source !== from.source);
  const laid: DeskDocument = {
    ...from,
    id: crypto.randomUUID(),
    title,
    sources: [...new Set([...from.sources, ...others])],
    addedAt: now,
    workedAt: now,
    picture: null,
    marked: picture,
    count: document.pages.length,
    isPart: true,
    removed: false,
  };
  try {
    const journal = createJournal(createJournalStore(laid.id));
    await journal.begin(pagesAsCame(laid), document);
    await keepDocument(laid);
    return null;
  } catch (e) {
    return noRoom(title, e);
  }
}

import { answerNote } from '@marginalis/core/editing';
import { guestAuthor, isExpired, type KeptAnswer } from '@marginalis/core/wire';
import { readAnswers, ServerError } from '@/remote';
import { type KeptLink, keepLinks, readLinks } from '@/storage';
import type { DocumentSession } from './documentSession';
import { whenOpened } from './whenOpened';

/** What guests have answered under one link that the document does not have yet. */
interface NewAnswers {
  readonly link: KeptLink;
  readonly answers: readonly KeptAnswer[];
}

const isAsked = ({ mayAnswer, withdrawn, ...link }: KeptLink): boolean =>
  mayAnswer && !withdrawn && !isExpired(link, Date.now());

/** Asks the server for what guests have answered to the notes of a document. @throws ServerError */
export async function newAnswers(documentId: string): Promise<NewAnswers[]> {
  const found: NewAnswers[] = [];
  for (const link of (await readLinks(documentId)).filter(isAsked)) {
    try {
      const answers = (await readAnswers(link)).slice(link.answersTaken);
      if (answers.length > 0) found.push({ link, answers });
    } catch (e) {
      // Withdrawn from elsewhere, or long past: nobody answers there any more.
      if (!(e instanceof ServerError && (e.status === 404 || e.status === 410))) throw e;
    }
  }
  return found;
}

/** How many answers of guests wait for each of these documents; of those that the server is silent about, none. */
export async function answersOnDesk(
  documentIds: readonly string[],
): Promise<ReadonlyMap<string, number>> {
  const counts = new Map<string, number>();
  for (const id of documentIds) {
    try {
      const count = (await newAnswers(id)).reduce((sum, { answers }) => sum + answers.length, 0);
      counts.set(id, count);
    } catch (e) {
      // They are asked for again when the document is opened.
      if (!(e instanceof ServerError)) throw e;
    }
  }
  return counts;
}

/**
 * Takes what guests have answered into the notes of an open document, each as a step that can be taken back, and says so. An answer
 * to a note that is there no more is passed over.
 * @throws ServerError
 */
export async function takeInAnswers(session: DocumentSession): Promise<number> {
  await whenOpened(session);
  if (!session.store.getState().writable) return 0;
  let taken = 0;
  for (const { link, answers } of await newAnswers(session.desk.id)) {
    for (const { id, note, name, text, at } of answers) {
      const thread = session.store.getState().document.threads.get(note);
      if (!thread || thread.remarks.some((remark) => remark.id === id)) continue;
      const answer = answerNote(thread, { id, author: guestAuthor(name), text, madeAt: at });
      if (answer && session.dispatch(answer)) taken++;
    }
    await noteTaken(session.desk.id, link, answers.length);
  }
  if (taken > 0)
    session.notices.tell(
      taken === 1 ? 'A guest has answered a note.' : `Guests have answered ${taken} times.`,
    );
  return taken;
}

/** What is taken in once is not taken in again, whatever becomes of it here. */
async function noteTaken(documentId: string, { token }: KeptLink, count: number): Promise<void> {
  const all = await readLinks(documentId);
  await keepLinks(
    documentId,
    all.map((one) =>
      one.token === token ? { ...one, answersTaken: one.answersTaken + count } : one,
    ),
  );
}

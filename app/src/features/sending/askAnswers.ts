import { ServerError } from '@/remote';
import { type DocumentSession, takeInAnswers } from '@/session';

/** Asks the server for what guests have answered, and says what came of it. */
export async function askAnswers(session: DocumentSession): Promise<void> {
  try {
    if ((await takeInAnswers(session)) === 0) session.notices.tell('No guest has answered since.');
  } catch (e) {
    if (!(e instanceof ServerError)) throw e;
    session.notices.tell(e.message);
  }
}

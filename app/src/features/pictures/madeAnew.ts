import type { Attachment, Transaction } from '@marginalis/core/document';
import type { Box } from '@marginalis/core/geometry';
import type { PictureMark } from '@marginalis/core/kinds';
import { fromBase64 } from '@marginalis/core/marks';
import type { DocumentSession } from '@/session';
import { startWork } from '@/work';

/** Makes the picture of a mark anew, and does with it what `put` says. Tells when it cannot be done; the picture stays as it is then. */
export async function madeAnew(
  session: DocumentSession,
  mark: PictureMark,
  how: { readonly part?: Box; readonly withoutPaper?: boolean },
  put: (made: Attachment) => Transaction | null,
): Promise<void> {
  const whole = session.store.getState().document.attachments.get(mark.source);
  if (!whole) return session.notices.tell('The picture is not at hand and stays as it is.');
  const { name, width, height, type } = whole;
  const format = type === 'image/png' ? 'png' : 'jpeg';
  const made = await startWork('picture', {
    bytes: fromBase64(whole.data),
    name,
    head: { format, width, height, orientation: 1 },
    wanted: { width, height },
    ...how,
  }).result;
  if (made.ok && session.dispatch(put(made.value))) return;
  const why = !made.ok && 'message' in made.failure ? `${made.failure.message} ` : '';
  session.notices.tell(`${why}The picture stays as it is.`);
}

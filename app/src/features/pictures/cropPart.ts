import { cropPicture } from '@marginalis/core/editing';
import type { Box } from '@marginalis/core/geometry';
import type { PictureMark } from '@marginalis/core/kinds';
import { fromBase64 } from '@marginalis/core/marks';
import type { DocumentSession } from '@/session';
import { startWork } from '@/work';

/** Cuts a picture down to a part of it (shares of its sides, from its upper left corner); what is cut away is in no copy. Says so when it cannot be done. */
export async function cropPart(
  session: DocumentSession,
  mark: PictureMark,
  part: Box,
): Promise<void> {
  const whole = session.store.getState().document.attachments.get(mark.source);
  if (!whole) return session.notices.tell('The picture is not at hand and stays as it is.');
  const { name, width, height, type } = whole;
  const format = type === 'image/png' ? 'png' : 'jpeg';
  const made = await startWork('picture', {
    bytes: fromBase64(whole.data),
    ...{ name, part },
    head: { format, width, height, orientation: 1 },
    wanted: { width, height },
  }).result;
  const { document } = session.store.getState();
  if (made.ok && session.dispatch(cropPicture(document, mark, part, made.value))) return;
  const why = !made.ok && 'message' in made.failure ? `${made.failure.message} ` : '';
  session.notices.tell(`${why}The picture stays as it is.`);
}

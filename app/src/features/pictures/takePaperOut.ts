import { swapPicture } from '@marginalis/core/editing';
import type { PictureMark } from '@marginalis/core/kinds';
import { fromBase64 } from '@marginalis/core/marks';
import type { DocumentSession } from '@/session';
import { startWork } from '@/work';

/** Takes the paper out of the photograph of something written, so that what lies beneath is seen through it. Says so when it cannot be done. */
export async function takePaperOut(session: DocumentSession, mark: PictureMark): Promise<void> {
  const whole = session.store.getState().document.attachments.get(mark.source);
  if (!whole) return session.notices.tell('The picture is not at hand and stays as it is.');
  const { name, width, height, type } = whole;
  const format = type === 'image/png' ? 'png' : 'jpeg';
  const made = await startWork('picture', {
    bytes: fromBase64(whole.data),
    name,
    head: { format, width, height, orientation: 1 },
    wanted: { width, height },
    withoutPaper: true,
  }).result;
  const { document } = session.store.getState();
  const label = 'Take the paper out';
  if (made.ok && session.dispatch(swapPicture(document, mark, made.value, label))) return;
  const why = !made.ok && 'message' in made.failure ? `${made.failure.message} ` : '';
  session.notices.tell(`${why}The picture stays as it is.`);
}

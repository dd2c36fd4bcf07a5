import { swapPicture } from '@marginalis/core/editing';
import type { PictureMark } from '@marginalis/core/kinds';
import type { DocumentSession } from '@/session';
import { madeAnew } from './madeAnew';

/** Takes the paper out of the photograph of something written, so that what lies beneath is seen through it. */
export const takePaperOut = (session: DocumentSession, mark: PictureMark): Promise<void> =>
  madeAnew(session, mark, { withoutPaper: true }, (made) =>
    swapPicture(session.store.getState().document, mark, made, 'Take the paper out'),
  );

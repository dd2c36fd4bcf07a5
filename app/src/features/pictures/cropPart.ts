import { cropPicture } from '@marginalis/core/editing';
import type { Box } from '@marginalis/core/geometry';
import type { PictureMark } from '@marginalis/core/kinds';
import type { DocumentSession } from '@/session';
import { madeAnew } from './madeAnew';

/** Cuts a picture down to a part of it (shares of its sides, from its upper left corner); what is cut away is in no copy. */
export const cropPart = (session: DocumentSession, mark: PictureMark, part: Box): Promise<void> =>
  madeAnew(session, mark, { part }, (made) =>
    cropPicture(session.store.getState().document, mark, part, made),
  );

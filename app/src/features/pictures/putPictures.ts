import { putPicture } from '@marginalis/core/editing';
import { pictureCorners } from '@marginalis/core/kinds';
import { PictureRefusal } from '@marginalis/core/pictures';
import { useSettings } from '@/session';
import type { Reader, Spot } from '@/shell';
import { readPicture } from './readPicture';

/** Several lie so far beside one another, points. */
const BESIDE = 18;

/** Puts pictures from files on a page, and picks them; what is no picture is said, and the others come nevertheless. */
export async function putPictures(
  reader: Reader,
  files: readonly File[],
  { index, at }: Spot,
): Promise<void> {
  const { session, stage } = reader;
  const put: string[] = [];
  for (const [k, file] of files.entries()) {
    const page = stage.pages[index];
    const spot = at && { x: at.x + k * BESIDE, y: at.y - k * BESIDE };
    try {
      const { picture, place } = await readPicture(file, page, spot);
      const id = crypto.randomUUID();
      const { document } = session.store.getState();
      const { author } = useSettings.getState();
      const asked = { id, page: page.id, picture, place, says: '', madeAt: Date.now(), author };
      if (!session.dispatch(putPicture(document, asked))) return;
      put.push(id);
      stage.keepInSight(index, pictureCorners({ place }));
    } catch (e) {
      if (!(e instanceof PictureRefusal)) throw e;
      session.notices.tell(`${e.message} It was not put on the page.`);
    }
  }
  if (put.length > 0) session.inHand.pick(put);
}

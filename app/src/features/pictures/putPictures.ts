import type { Attachment } from '@marginalis/core/document';
import { putGraphic, putPicture } from '@marginalis/core/editing';
import { unitCorners } from '@marginalis/core/geometry';
import { PictureRefusal } from '@marginalis/core/pictures';
import { useSettings } from '@/session';
import type { Reader, Spot } from '@/shell';
import { readPicture } from './readPicture';

/** Larger ones are put when they are asked for once more, bytes. */
const ASKED_FROM = 20_000_000;
/** Several lie so far beside one another, points. */
const BESIDE = 18;

/** How large the picture is that was made, where that is more than is put unasked. */
function megabytes({ data }: Attachment): number | null {
  const bytes = (data.length * 3) / 4;
  return bytes > ASKED_FROM ? Math.round(bytes / 1e6) : null;
}

/**
 * Puts pictures from files on a page, and picks them; what is no picture is said, and the others come nevertheless.
 * @param isAsked whether the person wants them however large they are
 */
export async function putPictures(
  reader: Reader,
  files: readonly File[],
  { index, at }: Spot,
  isAsked = false,
): Promise<void> {
  const { session, stage } = reader;
  const put: string[] = [];
  for (const [k, file] of files.entries()) {
    const page = stage.pages[index];
    const spot = at && { x: at.x + k * BESIDE, y: at.y - k * BESIDE };
    try {
      const read = await readPicture(file, page, spot);
      const id = crypto.randomUUID();
      const { document } = session.store.getState();
      const { author } = useSettings.getState();
      const asked = { ...read, id, page: page.id, madeAt: Date.now(), author };
      const large = 'picture' in asked ? megabytes(asked.picture) : null;
      if (large !== null && !isAsked) {
        session.notices.tell(
          `“${file.name}” takes ${large} MB, even at the size it has on the page: the document, and what is sent of it, grow by as much. It was not put there yet.`,
          {
            text: 'Put it there',
            run: () => void putPictures(reader, [file], { index, at: spot }, true),
          },
        );
        continue;
      }
      const putting =
        'graphic' in asked ? putGraphic(document, asked) : putPicture(document, asked);
      if (!session.dispatch(putting)) return;
      put.push(id);
      stage.keepInSight(index, unitCorners(read.place));
    } catch (e) {
      if (!(e instanceof PictureRefusal)) throw e;
      session.notices.tell(`${e.message} It was not put on the page.`);
    }
  }
  if (put.length > 0) session.inHand.pick(put);
}

import type { Attachment } from '@marginalis/core/document';
import { putGraphic, putPicture } from '@marginalis/core/editing';
import { unitCorners } from '@marginalis/core/geometry';
import { PictureRefusal } from '@marginalis/core/pictures';
import { useSettings } from '@/session';
import type { Reader, Spot } from '@/shell';
import { readPicture } from './readPicture';

/** Larger ones are put when they are asked for once more, megabytes. */
const ASKED_FROM = 20;
/** Several lie so far beside one another, points. */
const BESIDE = 18;

/** How large a picture is as it is kept. */
const megabytes = ({ data }: Attachment): number => (data.length * 3) / 4 / 1e6;

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
  const large: { readonly file: File; readonly takes: number }[] = [];
  for (const [k, file] of files.entries()) {
    const page = stage.pages[index];
    const spot = at && { x: at.x + k * BESIDE, y: at.y - k * BESIDE };
    try {
      const read = await readPicture(file, page, spot);
      const id = crypto.randomUUID();
      const { document } = session.store.getState();
      const { author } = useSettings.getState();
      const asked = { ...read, id, page: page.id, madeAt: Date.now(), author };
      const takes = 'picture' in asked ? megabytes(asked.picture) : 0;
      if (takes > ASKED_FROM && !isAsked) {
        large.push({ file, takes });
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
  if (large.length === 0) return;
  const isOne = large.length === 1;
  const what = isOne ? `“${large[0].file.name}” takes` : `${large.length} pictures take`;
  const sum = large.reduce((all, { takes }) => all + takes, 0);
  const wanted = large.map(({ file }) => file);
  session.notices.tell(
    `${what} ${Math.round(sum)} MB, even at the size on the page: the document, and what is sent of it, grow by as much. ${isOne ? 'It was' : 'They were'} not put there yet.`,
    {
      text: isOne ? 'Put it there' : 'Put them there',
      run: () => void putPictures(reader, wanted, { index, at }, true),
    },
  );
}

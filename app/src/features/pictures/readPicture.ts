import type { Attachment } from '@marginalis/core/document';
import type { Matrix, PageBox, Vec } from '@marginalis/core/geometry';
import type { Graphic } from '@marginalis/core/graphics';
import {
  LARGEST_FILE,
  type PictureHead,
  pictureHead,
  PictureRefusal,
  pixelsIn,
  pixelsWanted,
  placeOnPage,
} from '@marginalis/core/pictures';
import { startWork } from '@/work';
import { drawSvg } from './drawSvg';

/** As many dots an inch as a printer shows. */
const DPI = 300;

/** What is ready to be put on a page, as pixels or as outlines, and where it is to lie there. */
export type ReadPicture = { readonly place: Matrix; readonly says: string } & (
  { readonly picture: Attachment } | { readonly graphic: Graphic }
);

/** How large a picture is, turned as it is to be seen, pixels. */
const seenSize = ({ width, height, orientation }: PictureHead) =>
  orientation >= 5 ? { width: height, height: width } : { width, height };

/**
 * Reads a picture from a file: a drawing that is simple as outlines, all else turned as its camera was held, as fine as its place needs it, without what its file says of place, time and person.
 * @param at where its middle is to lie, in user space; the middle of the page without
 * @throws PictureRefusal
 */
export async function readPicture(file: File, page: PageBox, at: Vec | null): Promise<ReadPicture> {
  if (file.size > LARGEST_FILE)
    throw new PictureRefusal('too-large', `“${file.name}” is larger than 60 MB.`);
  const bytes = new Uint8Array(await file.arrayBuffer());
  const head = pictureHead(bytes, file.name);
  const size = seenSize(head);
  const place = placeOnPage(page, size, at);
  if (head.format === 'svg') {
    const read = await startWork('graphic', { svg: bytes, ...size }).result;
    if (read.ok && read.value) return { ...read.value, place };
    if (!read.ok)
      console.warn('A drawing could not be read, and is drawn as a picture.', read.failure);
  }
  const most = pixelsIn(place, DPI, page.userUnit);
  // What is drawn by numbers has as many pixels as its place takes.
  const wanted = head.format === 'svg' ? most : pixelsWanted(size, most);
  const source = head.format === 'svg' ? await drawSvg(bytes, file.name, wanted) : { bytes, head };
  const made = await startWork('picture', { ...source, name: file.name, wanted }).result;
  if (made.ok) return { picture: made.value, place, says: '' };
  if (made.failure.kind === 'stopped') throw new Error('Nobody stops a picture.');
  throw new PictureRefusal('no-picture', made.failure.message);
}

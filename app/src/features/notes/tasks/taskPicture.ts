import type { ListedNote } from '@marginalis/core/derived';
import { type Attachment, LARGEST_ATTACHMENT, marksOn } from '@marginalis/core/document';
import { displaySize } from '@marginalis/core/geometry';
import { cuttingOf } from '@marginalis/core/tasks';
import type { Reader } from '@/shell';
import { pictureOfPage } from '@/stage';
import { pickFile } from '@/ui';

/** Pixels of the longer side; of a cutting so many a point. */
const LONGEST = 1200;
const DENSITY = 2.5;
/** Bytes of a file that is read at all. */
const LARGEST_FILE = 40_000_000;
/** How well a picture is kept: as well as leaves it small enough. */
const QUALITIES = [0.85, 0.7, 0.5, 0.3];

/** Thrown when something is no picture that can be attached; the message is for people. */
export class NoPicture extends Error {
  override readonly name = 'NoPicture';
}

/** What a note is about, cut out of its page as it is seen now; null where that is gone. @throws NoPicture */
export async function cutOut(reader: Reader, { about }: ListedNote): Promise<Attachment | null> {
  const { session, pictures } = reader;
  const { document } = session.store.getState();
  const page = about && document.pages[about.page];
  if (!page) return null;
  const cut = cuttingOf(about, page);
  const size = displaySize(cut);
  const scale = Math.min(DENSITY, LONGEST / Math.max(size.width, size.height));
  const width = Math.max(1, Math.round(scale * size.width));
  const url = await pictureOfPage(cut, marksOn(document, page.id), pictures, width);
  if (!url) throw new NoPicture('The page could not be drawn, so nothing was cut out of it.');
  const height = Math.max(1, Math.round((width * size.height) / size.width));
  return attachmentOf(`Cutting of page ${session.guide.nameOf(about.page)}`, url, width, height);
}

/** A picture from a file that the person chooses, made small enough; null when none is chosen. @throws NoPicture */
export async function choosePicture(): Promise<Attachment | null> {
  const file = await pickFile('image/*');
  if (!file) return null;
  if (file.size > LARGEST_FILE)
    throw new NoPicture(`“${file.name}” is larger than 40 MB and was not attached.`);
  const bitmap = await drawable(file);
  const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(scale * bitmap.width));
  canvas.height = Math.max(1, Math.round(scale * bitmap.height));
  const ctx = canvas.getContext('2d');
  if (!ctx) throw new NoPicture('This browser has no room for the picture just now.');
  // What is seen through would be black without a ground.
  ctx.fillStyle = '#ffffff';
  ctx.fillRect(0, 0, canvas.width, canvas.height);
  ctx.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  let url = '';
  for (const quality of QUALITIES) {
    url = canvas.toDataURL('image/jpeg', quality);
    if (fits(url)) break;
  }
  return attachmentOf(file.name.slice(0, 200), url, canvas.width, canvas.height);
}

/** Turned as its camera held it: browsers do that by themselves. */
async function drawable(file: File): Promise<ImageBitmap> {
  try {
    return await createImageBitmap(file);
  } catch (e) {
    throw new NoPicture(`“${file.name}” is no picture that can be read.`, { cause: e });
  }
}

const bytesIn = (url: string): string => url.slice(url.indexOf(',') + 1);
const fits = (url: string): boolean => bytesIn(url).length <= LARGEST_ATTACHMENT;

function attachmentOf(name: string, url: string, width: number, height: number): Attachment {
  if (!url.startsWith('data:image/jpeg') || !fits(url))
    throw new NoPicture(`“${name}” is too large a picture to be attached.`);
  return {
    id: crypto.randomUUID(),
    name,
    type: 'image/jpeg',
    data: bytesIn(url),
    width,
    height,
  };
}

/** Where the picture of an attachment is. */
export const addressOf = ({ type, data }: Attachment): string => `data:${type};base64,${data}`;

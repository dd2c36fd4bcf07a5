import { type Attachment, LARGEST_PICTURE, type PictureType } from '../../document/index.ts';
import { fromBase64, toBase64 } from '../../marks/index.ts';
import { pictureHead, pictureName, PictureRefusal, withoutMetadata } from '../../pictures/index.ts';

const DATA = /^data:image\/(?:jpeg|png);base64,([A-Za-z0-9+/\s]+={0,2})\s*$/;

/** The picture that a data address (RFC 2397) holds, without what it tells of place, time and person; null for everything that is no sound JPEG or PNG of the sizes kept. */
export function pictureIn(address: string): Attachment | null {
  const data = DATA.exec(address.trim())?.[1]?.replace(/\s+/g, '');
  if (!data || data.length > (4 / 3) * LARGEST_PICTURE) return null;
  try {
    const whole = fromBase64(data);
    const { format, width, height } = pictureHead(whole, 'Picture');
    if (format !== 'jpeg' && format !== 'png') return null;
    const bytes = withoutMetadata(whole, format);
    const type: PictureType = `image/${format}`;
    return {
      ...{ id: pictureName(bytes), name: 'Picture', type, width, height },
      data: toBase64(bytes),
    };
  } catch (e) {
    if (e instanceof PictureRefusal || e instanceof RangeError) return null;
    throw e;
  }
}

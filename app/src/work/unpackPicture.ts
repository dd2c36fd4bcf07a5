import type { Attachment } from '@marginalis/core/document';
import { fromBase64 } from '@marginalis/core/marks';

/**
 * The picture of an attachment, to be painted. What it claims to be is looked at first: a few bytes of others can unpack to pixels without end.
 * Rejects where it is no picture that can be unpacked.
 */
export async function unpackPicture({ data, type, name }: Attachment): Promise<ImageBitmap> {
  const { pictureHead } = await import('@marginalis/core/pictures');
  const bytes = fromBase64(data) as Uint8Array<ArrayBuffer>;
  pictureHead(bytes, name);
  return createImageBitmap(new Blob([bytes], { type }));
}

import { displaySize } from '@marginalis/core/geometry';
import type { Written } from '@marginalis/core/pdf';
import type { DeskDocument } from '@/storage';
import { firstPagePicture, PdfPictures, PictureError, startWork } from '@/work';

const PICTURE_WIDTH = 280;

/** Inspects bytes and draws the first page; a locked document is told, not refused. */
export async function lookAt(
  blank: DeskDocument,
  bytes: Uint8Array,
  password?: string,
): Promise<
  { ok: true; document: DeskDocument; living?: boolean } | { ok: false; message: string }
> {
  const result = await startWork('inspect', { bytes, password }).result;
  if (!result.ok) {
    const { failure } = result;
    if (failure.kind === 'refused' && failure.reason === 'locked')
      return { ok: true, document: { ...blank, locked: true } };
    return { ok: false, message: failure.kind === 'stopped' ? 'Stopped.' : failure.message };
  }
  const { title, pages, scanned, signed, rescued, copyOf, living, written = null } = result.value;
  try {
    const pictures = await PdfPictures.open(bytes.slice(), password);
    const { width, height } = displaySize(pages[0]);
    const picture = await firstPagePicture(pictures, width, height, PICTURE_WIDTH);
    pictures.close();
    const document = {
      ...blank,
      title: title ?? blank.title,
      pages: [...pages],
      scanned,
      signed,
      rescued,
      copyOf,
      // Of a locked file it would say what the lock hides.
      written: password === undefined ? writtenAsKept(written) : null,
      picture,
    };
    return { ok: true, document, living };
  } catch (e) {
    if (e instanceof PictureError) return { ok: false, message: e.message };
    throw e;
  }
}

const writtenAsKept = (written: Written | null): DeskDocument['written'] =>
  written && { ...written, authors: [...written.authors] };

import { PictureRefusal } from '@marginalis/core/pictures';
import { readDemoFile, ServerError } from '@/remote';

/** What stands in for a camera where there are sample documents. */
const SAMPLE = 'photographed-sheet.jpg';

/** The photograph that stands in for a camera. Rejects with a PictureRefusal when it does not come. */
export async function readSamplePhoto(): Promise<File> {
  try {
    const bytes = (await readDemoFile(SAMPLE)) as Uint8Array<ArrayBuffer>;
    return new File([bytes], SAMPLE, { type: 'image/jpeg' });
  } catch (e) {
    if (e instanceof ServerError) throw new PictureRefusal('no-picture', e.message);
    throw e;
  }
}

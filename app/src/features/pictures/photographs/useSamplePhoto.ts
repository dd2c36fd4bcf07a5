import { PictureRefusal } from '@marginalis/core/pictures';
import { useEffect, useState } from 'react';
import { readDemoFile, ServerError } from '@/remote';
import { offeredDemos } from '@/session';

/** What stands in for a camera where there are sample documents. */
const SAMPLE = 'photographed-sheet.jpg';

/** Fetches a photograph to try with; null where the server offers no samples. Rejects with a PictureRefusal when it does not come. */
export function useSamplePhoto(): (() => Promise<readonly File[]>) | null {
  const [isOffered, setOffered] = useState(false);
  useEffect(() => {
    let isGone = false;
    void offeredDemos().then((demos) => isGone || setOffered(demos.length > 0));
    return () => {
      isGone = true;
    };
  }, []);
  if (!isOffered) return null;
  return async () => {
    try {
      const bytes = (await readDemoFile(SAMPLE)) as Uint8Array<ArrayBuffer>;
      return [new File([bytes], SAMPLE, { type: 'image/jpeg' })];
    } catch (e) {
      if (e instanceof ServerError) throw new PictureRefusal('no-picture', e.message);
      throw e;
    }
  };
}

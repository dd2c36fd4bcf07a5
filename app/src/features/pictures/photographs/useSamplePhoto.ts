import { useEffect, useState } from 'react';
import { offeredDemos } from '@/session';
import { readSamplePhoto } from '../samplePhoto';

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
  return async () => [await readSamplePhoto()];
}

import { useEffect, useState } from 'react';
import { offeredDemos } from '@/session';
import { readDemoFile } from '@/remote';

/** What stands in for a camera where there are sample documents. */
const SAMPLE = 'photographed-sheet.jpg';

/** Fetches a photograph to try with; null where the server offers no samples. */
export function useSamplePhoto(): (() => Promise<File>) | null {
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
    const bytes = (await readDemoFile(SAMPLE)) as Uint8Array<ArrayBuffer>;
    return new File([bytes], SAMPLE, { type: 'image/jpeg' });
  };
}

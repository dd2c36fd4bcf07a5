import type { DocState } from '@marginalis/core/document';
import { linksOnPage } from '@marginalis/core/links';
import { useEffect, useState } from 'react';
import { useSession } from '@/session';
import { readFileLinks, useReaderAround } from '@/shell';

/** Links on these pages that lead to what is no longer in the document, as far as they have been read: those of files by the reader only. */
export function useDeadLinks(part: DocState): number {
  const session = useSession();
  const pictures = useReaderAround()?.pictures ?? null;
  const [dead, setDead] = useState(0);
  useEffect(() => {
    let isGone = false;
    const { document } = session.store.getState();
    const { source, pages } = session.desk;
    const shown = new Set(
      document.pages.flatMap(({ shows }) =>
        'source' in shows && shows.source === source ? [shows.index] : [],
      ),
    );
    const isWhole = shown.size === pages.length;
    void (async () => {
      let count = 0;
      for (const page of part.pages) {
        const came = isWhole || !pictures ? [] : await readFileLinks(pictures, page);
        if (isGone) return;
        count += linksOnPage(document, page, came).filter(({ leads }) => !leads).length;
      }
      setDead(count);
    })();
    return () => {
      isGone = true;
    };
  }, [session, pictures, part]);
  return dead;
}

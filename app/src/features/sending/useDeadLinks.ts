import { type DocState, sourcesOfPages } from '@marginalis/core/document';
import { linksOnPage } from '@marginalis/core/links';
import { useEffect, useState } from 'react';
import { useSession } from '@/session';
import { readFileLinks, useReaderAround } from '@/shell';
import type { SourcePictures } from '@/stage';

/** Links on these pages that lead to what is no longer in the document, as far as they have been read: those of files by the reader only. */
export function useDeadLinks(part: DocState): number {
  const session = useSession();
  const pictures = useReaderAround()?.pictures ?? null;
  const [dead, setDead] = useState(0);
  useEffect(() => {
    let isGone = false;
    const { document } = session.store.getState();
    const whole = wholeSources(document, pictures);
    void (async () => {
      let count = 0;
      for (const page of part.pages) {
        const isWhole = 'source' in page.shows && whole.has(page.shows.source);
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

/** Files of which all pages are in the document: their own links lead to these. */
function wholeSources({ pages }: DocState, pictures: SourcePictures | null): ReadonlySet<string> {
  const whole = sourcesOfPages(pages).filter((source) => {
    const shown = pages.flatMap(({ shows }) =>
      'source' in shows && shows.source === source ? [shows.index] : [],
    );
    return new Set(shown).size === pictures?.(source)?.pageCount;
  });
  return new Set(whole);
}

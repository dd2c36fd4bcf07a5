import { linksOnPage, type PageLink } from '@marginalis/core/links';
import { useEffect, useMemo, useState } from 'react';
import { useSessionState } from '@/session';
import { useReader, knownFileLinks, readFileLinks } from '@/shell';

/** Pages whose links are read before the list shows them. */
const AT_ONCE = 24;

export interface AllLinks {
  readonly links: readonly PageLink[];
  /** Pages read so far, of all. */
  readonly read: number;
  readonly of: number;
}

/** Every link of the document, in the order of its pages; those of its files come as they are read. */
export function useAllLinks(): AllLinks {
  const { pictures } = useReader();
  const document = useSessionState((s) => s.document);
  const { pages } = document;
  const [read, setRead] = useState(0);
  useEffect(() => {
    let isGone = false;
    void (async () => {
      for (let k = 0; k < pages.length && !isGone; k += AT_ONCE) {
        await Promise.all(pages.slice(k, k + AT_ONCE).map((page) => readFileLinks(pictures, page)));
        if (!isGone) setRead(Math.min(pages.length, k + AT_ONCE));
      }
    })();
    return () => {
      isGone = true;
    };
  }, [pictures, pages]);
  const links = useMemo(
    () => pages.flatMap((page) => linksOnPage(document, page, knownFileLinks(pictures, page))),
    // What is known of the files grows with `read`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [document, pages, pictures, read],
  );
  return { links, read: Math.min(read, pages.length), of: pages.length };
}

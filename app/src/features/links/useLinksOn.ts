import type { Page } from '@marginalis/core/document';
import { linksOnPage, type PageLink } from '@marginalis/core/links';
import { useEffect, useMemo, useState } from 'react';
import { useSession, useSessionState } from '@/session';
import { useReader, knownFileLinks, readFileLinks } from '@/shell';

const NONE: readonly PageLink[] = [];

/** The links of a page, those of its file once they have been read. */
export function useLinksOn(page: Page | undefined): readonly PageLink[] {
  const { pictures } = useReader();
  const session = useSession();
  const [read, setRead] = useState<Page | null>(null);
  // Where they lead depends on these.
  const links = useSessionState((s) => s.document.links);
  const pages = useSessionState((s) => s.document.pages);
  const bookmarks = useSessionState((s) => s.document.bookmarks);
  const threads = useSessionState((s) => s.document.threads);
  useEffect(() => {
    if (!page) return undefined;
    let isGone = false;
    void readFileLinks(pictures, page).then(() => isGone || setRead(page));
    return () => {
      isGone = true;
    };
  }, [pictures, page]);
  return useMemo(() => {
    if (!page) return NONE;
    const { document } = session.store.getState();
    const now = { ...document, links, pages, bookmarks, threads };
    return linksOnPage(now, page, knownFileLinks(pictures, page));
    // What is known of the file changes with `read`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [session, pictures, page, read, links, pages, bookmarks, threads]);
}

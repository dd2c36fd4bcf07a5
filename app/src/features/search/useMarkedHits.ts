import { marksOn } from '@marginalis/core/document';
import { wordsKnown } from '@marginalis/core/derived';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { type SearchHit, useSession, useSessionState } from '@/session';

/** Marks of so many pages are looked at: each of them has to be read. */
const MOST_PAGES = 200;

/** The hits that lie on words somebody has marked, or that ink means, with the colour of that; looked for as the hits come. */
export function useMarkedHits(): ReadonlyMap<SearchHit, string> {
  const session = useSession();
  const hits = useStore(session.search.store, (s) => s.hits);
  const marks = useSessionState((s) => s.document.marks);
  const [marked, setMarked] = useState<ReadonlyMap<SearchHit, string>>(new Map());
  useEffect(() => {
    let isOver = false;
    const look = async (): Promise<void> => {
      const { document } = session.store.getState();
      const found = new Map<SearchHit, string>();
      const pages = document.pages.filter(({ id }) => (document.marks.get(id)?.size ?? 0) > 0);
      for (const page of pages.slice(0, MOST_PAGES)) {
        const here = hits.filter((hit) => hit.page === page.id);
        if (here.length === 0) continue;
        const print = await session.print.of(page);
        if (isOver) return;
        for (const mark of marksOn(document, page.id).values())
          for (const { from, to } of wordsKnown(mark, print))
            for (const hit of here)
              if (hit.from < to && hit.to > from) found.set(hit, mark.style.colour);
      }
      if (!isOver) setMarked(found);
    };
    // Whoever searches says what cannot be read.
    look().catch(() => undefined);
    return () => {
      isOver = true;
    };
  }, [session, hits, marks]);
  return marked;
}

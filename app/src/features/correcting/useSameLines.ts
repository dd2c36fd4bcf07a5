import type { Page } from '@marginalis/core/document';
import { type LineFound, linesLike } from '@marginalis/core/editing';
import { useEffect, useState } from 'react';
import { useSession } from '@/session';
import type { AskedLine } from './asked';

/** A line elsewhere that says the same. */
export interface SameLine extends LineFound {
  readonly key: string;
  readonly page: Page;
  /** From 0. */
  readonly index: number;
}

/** The other lines of the document that say what a line says; null as long as they are looked for. */
export function useSameLines({ page: own, line }: AskedLine): readonly SameLine[] | null {
  const session = useSession();
  const [found, setFound] = useState<readonly SameLine[] | null>(null);
  useEffect(() => {
    let wanted = true;
    const look = async (): Promise<void> => {
      const all: SameLine[] = [];
      for (const [index, page] of session.store.getState().document.pages.entries()) {
        if (!wanted) return;
        if ('paper' in page.shows) continue;
        const print = await session.print.of(page);
        for (const one of linesLike(print, line)) {
          const [{ x, y }] = one.line.quad;
          if (page.id === own && x === line.quad[0].x && y === line.quad[0].y) continue;
          all.push({ ...one, key: `${page.id} ${x} ${y}`, page, index });
        }
      }
      if (wanted) setFound(all);
    };
    look().catch((e: unknown) => {
      // What cannot be read is not corrected; the line that is asked about can be.
      session.notices.tell(e instanceof Error ? e.message : String(e));
      if (wanted) setFound([]);
    });
    return () => {
      wanted = false;
    };
  }, [session, own, line]);
  return found;
}

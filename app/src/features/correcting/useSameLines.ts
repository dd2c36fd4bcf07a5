import type { Page } from '@marginalis/core/document';
import { lineWith, linesLike, type PrintedLine } from '@marginalis/core/editing';
import { useEffect, useState } from 'react';
import { useSession } from '@/session';
import type { AskedLine } from './asked';

/** A line elsewhere that says the same. */
export interface SameLine {
  readonly key: string;
  readonly page: Page;
  /** From 0. */
  readonly index: number;
  readonly line: PrintedLine;
  /** What the line above it says; empty for the first one. */
  readonly after: string;
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
          const [{ x, y }] = one.quad;
          if (page.id === own && x === line.quad[0].x && y === line.quad[0].y) continue;
          const at = print.lines.findIndex(({ from }) => lineWith(print, from)?.quad[0].y === y);
          const before = at > 0 ? print.lines[at - 1] : null;
          const after = before ? print.text.slice(before.from, before.to) : '';
          all.push({ key: `${page.id} ${x} ${y}`, page, index, line: one, after });
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

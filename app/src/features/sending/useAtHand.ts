import { useEffect, useState } from 'react';
import { type DocumentSession, leaveSession, openSession, openSourceFile } from '@/session';
import type { DeskDocument } from '@/storage';

export type AtHand =
  | { readonly phase: 'opening' }
  | { readonly phase: 'failed'; readonly message: string }
  | { readonly phase: 'open'; readonly session: DocumentSession };

const UNREADABLE = 'Its marks cannot be read from the browser’s storage. Open it to see why.';

/** A document of the desk with its marks and the names of its pages, read without a window for it; let go of when it is not needed any more. */
export function useAtHand(document: DeskDocument): AtHand {
  const [atHand, setAtHand] = useState<AtHand>({ phase: 'opening' });
  useEffect(() => {
    let isGone = false;
    let close: () => void = () => undefined;
    const show = (next: AtHand): void => {
      if (!isGone) setAtHand(next);
    };
    async function open(): Promise<void> {
      const file = await openSourceFile(document);
      if (isGone) return file.close();
      const session = openSession(document);
      const look = (): void => {
        const { phase } = session.store.getState();
        if (phase === 'open') show({ phase: 'open', session });
        if (phase === 'failed') show({ phase: 'failed', message: UNREADABLE });
      };
      const unsubscribe = session.store.subscribe(look);
      close = () => {
        unsubscribe();
        file.close();
        void leaveSession(session);
      };
      // A file that does not tell what its pages are called has them counted.
      await session.guide.read(document.source, file.guide).catch(console.warn);
      look();
    }
    open().catch((e: unknown) => {
      show({ phase: 'failed', message: e instanceof Error ? e.message : String(e) });
    });
    return () => {
      isGone = true;
      close();
    };
  }, [document]);
  return atHand;
}

import { useMemo } from 'react';
import { useSession } from '@/session';
import type { MarkFeed } from '@/stage';

/** The open document's marks, as the stage wants them. */
export function useMarkFeed(): MarkFeed {
  const { store } = useSession();
  return useMemo(
    () => ({
      subscribe: (listener) => store.subscribe(listener),
      getState: () => store.getState().draft ?? store.getState().document,
      getDoomed: () => store.getState().doomed,
    }),
    [store],
  );
}

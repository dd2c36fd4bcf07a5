import { useMemo } from 'react';
import type { MarkFeed, MarkedDocument } from './MarkFeed';

/** An open document's marks, as the stage wants them. */
export const useMarkFeed = ({ store }: { readonly store: MarkedDocument }): MarkFeed =>
  useMemo(
    () => ({
      subscribe: (listener) => store.subscribe(listener),
      getState: () => store.getState().draft ?? store.getState().document,
      getDoomed: () => store.getState().doomed,
    }),
    [store],
  );

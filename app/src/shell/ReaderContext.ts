import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { Command, Reader, ReaderFeature } from './feature';
import type { ShellState } from './shellStore';
import type { Thumbnails } from './thumbnails';

/** The reader, and everything that can be done in it. */
export interface HeldReader extends Reader {
  commands(): readonly Command[];
  readonly features: readonly ReaderFeature[];
  /** Small pictures of its pages. */
  readonly thumbnails: Thumbnails;
}

export const ReaderContext = createContext<HeldReader | null>(null);

/** @throws Error outside of a reader */
export function useReader(): HeldReader {
  const reader = useContext(ReaderContext);
  if (!reader) throw new Error('useReader needs a reader around it.');
  return reader;
}

/** The reader around it; null outside of one. */
export const useReaderAround = (): HeldReader | null => useContext(ReaderContext);

export const useShell = <T>(pick: (state: ShellState) => T): T =>
  useStore(useReader().shell.store, pick);

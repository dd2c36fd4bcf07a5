import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { Command, Reader, ReaderFeature } from './feature';
import type { ShellState } from './shellStore';

/** The reader, and everything that can be done in it. */
export interface HeldReader extends Reader {
  commands(): readonly Command[];
  readonly features: readonly ReaderFeature[];
}

export const ReaderContext = createContext<HeldReader | null>(null);

/** @throws Error outside of a reader */
export function useReader(): HeldReader {
  const reader = useContext(ReaderContext);
  if (!reader) throw new Error('useReader needs a reader around it.');
  return reader;
}

export const useShell = <T>(pick: (state: ShellState) => T): T =>
  useStore(useReader().shell.store, pick);

import { createContext, useCallback, useContext } from 'react';
import { useStore } from 'zustand';
import { nameIn } from './guide';
import type { HandState } from './hand';
import type { DocumentSession } from './documentSession';
import type { SessionState } from './sessionState';

export const SessionContext = createContext<DocumentSession | null>(null);

/** @throws Error where no document is open */
export function useSession(): DocumentSession {
  const session = useContext(SessionContext);
  if (!session) throw new Error('useSession needs an open document around it.');
  return session;
}

/** What is held over the open document. */
export function useHand<T>(pick: (state: HandState) => T): T {
  return useStore(useSession().hand.store, pick);
}

/** What the pages of the open document are called, in order: "iv", "12". */
export function usePageNames(): (index: number) => string {
  const { guide } = useSession();
  const names = useStore(guide.store, (s) => s.names);
  return useCallback((index) => nameIn(names, index), [names]);
}

/** A part of the open document's state. */
export function useSessionState<T>(pick: (state: SessionState) => T): T {
  return useStore(useSession().store, pick);
}

import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { DocumentSession, SessionState } from './documentSession';

export const SessionContext = createContext<DocumentSession | null>(null);

/** @throws Error where no document is open */
export function useSession(): DocumentSession {
  const session = useContext(SessionContext);
  if (!session) throw new Error('useSession needs an open document around it.');
  return session;
}

/** A part of the open document's state. */
export function useSessionState<T>(pick: (state: SessionState) => T): T {
  return useStore(useSession().store, pick);
}

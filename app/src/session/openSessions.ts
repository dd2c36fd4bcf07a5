import { useEffect } from 'react';
import { create } from 'zustand';
import type { DeskDocument } from '@/storage';
import { DocumentSession } from './documentSession';

interface OpenSessions {
  /** On the screen. */
  readonly open: readonly DocumentSession[];
  /** Left, with changes that storage refuses: they stay at hand, and are tried again, until it takes them. */
  readonly waiting: readonly DocumentSession[];
}

/** The documents this tab has open, and those it has left but must not let go of yet. */
export const useOpenSessions = create<OpenSessions>(() => ({ open: [], waiting: [] }));

const { getState, setState } = useOpenSessions;
const without = (all: readonly DocumentSession[], one: DocumentSession): DocumentSession[] =>
  all.filter((session) => session !== one);

/** Opens a document; the session that was left with changes not stored goes on where it was. */
export function openSession(desk: DeskDocument): DocumentSession {
  const { open, waiting } = getState();
  const held = waiting.find((session) => session.desk.id === desk.id);
  const session = held ?? new DocumentSession(desk);
  setState({ open: [...open, session], waiting: without(waiting, session) });
  return session;
}

/** Leaves a document. Its session ends when everything is stored; until then it waits, and can be opened again. */
export async function leaveSession(session: DocumentSession): Promise<void> {
  session.aloud.stop();
  setState({ open: without(getState().open, session) });
  if (!(await session.rest()) && !getState().open.includes(session)) {
    setState({ waiting: [...getState().waiting, session] });
    await stored(session);
  }
  // Opened again meanwhile: it goes on.
  if (getState().open.includes(session)) return;
  setState({ waiting: without(getState().waiting, session) });
  await session.close();
}

/** When storage has taken what it refused. */
const stored = (session: DocumentSession): Promise<void> =>
  new Promise((resolve) => {
    const look = (): void => {
      if (session.store.getState().saving !== 'kept') return;
      unsubscribe();
      resolve();
    };
    const unsubscribe = session.store.subscribe(look);
    look();
  });

/** Whether closing this tab would lose changes. */
export const holdsUnkept = (): boolean =>
  [...getState().open, ...getState().waiting].some(({ store }) => store.getState().refused);

/** Has the browser ask before the tab is closed on changes that are nowhere else. */
export function useUnloadGuard(): void {
  useEffect(() => {
    const ask = (e: BeforeUnloadEvent): void => {
      if (holdsUnkept()) e.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, []);
}

import type { DocumentSession } from '@/session';
import { createStore } from 'zustand/vanilla';
import type { PagePlace } from './feature';

/** The bare place, or the empty area, of which it is asked what is to stand there, in whichever document; null while there is none. */
export const placeAsked = createStore<{
  readonly asked: { readonly session: DocumentSession; readonly place: PagePlace } | null;
}>(() => ({ asked: null }));

export const askAt = (session: DocumentSession, place: PagePlace): void =>
  placeAsked.setState({ asked: { session, place } });
export const withdrawQuestion = (): void => placeAsked.setState({ asked: null });

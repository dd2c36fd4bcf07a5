import type { DocumentSession } from '@/session';
import type { PagePlace } from '@/shell';
import { createStore } from 'zustand/vanilla';

/** The bare place that was held, or asked about with a mouse, in whichever document; null while there is none. */
export const hereHeld = createStore<{
  readonly held: { readonly session: DocumentSession; readonly place: PagePlace } | null;
}>(() => ({ held: null }));

export const letGo = (): void => hereHeld.setState({ held: null });

import type { Region } from '@marginalis/core/leaving';
import type { Mark } from '@marginalis/core/kinds';
import { createStore } from 'zustand/vanilla';
import type { DocumentSession } from '@/session';

/** A part of a page that is to leave, and what is drawn on it only for that. */
export interface TakenRegion {
  readonly region: Region;
  readonly ink: readonly Mark[];
}

/** The part of a page that is to leave alone: while it is framed, and once it is taken; of one document at a time. */
export const regions = createStore<{
  readonly session: DocumentSession | null;
  /** What is framed; null where nothing is yet. Undefined while no frame is asked for. */
  readonly framed: Region | null | undefined;
  readonly taken: TakenRegion | null;
}>(() => ({ session: null, framed: undefined, taken: null }));

/** Asks for a frame; what `first` frames is there to begin with. */
export const askForRegion = (session: DocumentSession, first: Region | null): void =>
  regions.setState({ session, framed: first, taken: null });

export const frameRegion = (framed: Region | null): void => regions.setState({ framed });

/** What is framed is what is to leave. */
export function takeRegion(): void {
  const { framed } = regions.getState();
  if (framed) regions.setState({ framed: undefined, taken: { region: framed, ink: [] } });
}

/** Nothing is to be framed any more, and no part is to leave alone. */
export const forgetRegion = (): void => regions.setState({ framed: undefined, taken: null });

export function drawOnRegion(ink: readonly Mark[]): void {
  const { taken } = regions.getState();
  if (taken) regions.setState({ taken: { ...taken, ink } });
}

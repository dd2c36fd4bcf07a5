import type { Region } from '@marginalis/core/leaving';
import type { Mark } from '@marginalis/core/kinds';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { type DocumentSession, useSession } from '@/session';

/** A part of a page that is to leave, and what is drawn on it only for that. */
export interface TakenRegion {
  readonly region: Region;
  readonly ink: readonly Mark[];
}

interface Regions {
  readonly session: DocumentSession | null;
  /** What is framed; null where nothing is yet. Undefined while no frame is asked for. */
  readonly framed: Region | null | undefined;
  readonly taken: TakenRegion | null;
}
const NONE: Regions = { session: null, framed: undefined, taken: null };

/** The part of a page that is to leave alone: while it is framed, and once it is taken; of one document at a time. */
const regions = createStore<Regions>(() => NONE);
const { getState, setState } = regions;

/** What of a document is framed and taken. */
export const regionsOf = (session: DocumentSession): Regions =>
  getState().session === session ? getState() : NONE;

/** The same of the open document, told anew whenever it changes. */
export function useRegions(): Regions {
  const session = useSession();
  return useStore(regions, (s) => (s.session === session ? s : NONE));
}

/** Asks for a frame: the part that was taken last is framed to begin with, or else `first`. */
export function askForRegion(session: DocumentSession, first: Region | null): void {
  const { taken } = regionsOf(session);
  setState({ session, taken, framed: taken?.region ?? first });
}

export const frameRegion = (framed: Region | null): void => setState({ framed });

/** No other part is framed. */
export const stopFraming = (): void => setState({ framed: undefined });

/** What is framed is what is to leave; what was drawn on its page for that stays. */
export function takeRegion(): void {
  const { framed, taken } = getState();
  if (!framed) return;
  const ink = taken?.region.page === framed.page ? taken.ink : [];
  setState({ framed: undefined, taken: { region: framed, ink } });
}

/** Whole pages are to leave again. */
export const forgetRegion = (): void => setState(NONE);

export function drawOnRegion(ink: readonly Mark[]): void {
  const { taken } = getState();
  if (taken) setState({ taken: { ...taken, ink } });
}

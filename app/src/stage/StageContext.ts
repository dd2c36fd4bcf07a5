import type { Page } from '@marginalis/core/document';
import { createContext, useContext, useSyncExternalStore } from 'react';
import type { LoadedFonts } from './LoadedFonts';
import type { PaperLook } from './look';
import type { Writer } from './pointers';
import type { StageSight } from './sight';
import type { StageController } from './StageController';

export interface StageHold {
  readonly controller: StageController;
  /** The faces that text on its pages is set in. */
  readonly fonts: LoadedFonts;
  /** Takes the pen, from whoever has it; gives a function that lays it down again, or gives it back. */
  takePen(writer: Writer): () => void;
  /** Has a contact that came down beside the window go on as if it had come down in it. */
  takeContact(event: PointerEvent): void;
}

export const StageContext = createContext<StageHold | null>(null);

/** @throws Error outside of a stage */
export function useStage(): StageHold {
  const hold = useContext(StageContext);
  if (!hold) throw new Error('useStage needs a StageContext around it.');
  return hold;
}

/** Whether this is the window one works in: nothing is offered in another one. */
export const AttendedContext = createContext(true);

/** How paper is seen; told only when it is seen otherwise, however the camera moves. */
export function useLook(): PaperLook {
  const { controller } = useStage();
  const look = (): PaperLook => controller.getSight().look;
  return useSyncExternalStore(controller.subscribe, look, look);
}

/** All pages as they are seen: turned as the reader has them. */
export function usePagesSeen(): readonly Page[] {
  const { controller } = useStage();
  const pages = (): readonly Page[] => controller.pages;
  return useSyncExternalStore(controller.subscribe, pages, pages);
}

/** One of them, from 0. */
export const usePageSeen = (index: number): Page => usePagesSeen()[index];

/** What the stage shows: which pages, which zoom. */
export function useSight(): StageSight {
  const { controller } = useStage();
  return useSyncExternalStore(controller.subscribe, controller.getSight, controller.getSight);
}

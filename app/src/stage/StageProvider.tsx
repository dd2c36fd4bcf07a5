import type { Page } from '@marginalis/core/document';
import { type ReactNode, useLayoutEffect, useState } from 'react';
import type { PaperLook } from './look';
import type { Device } from './manners';
import { pageFonts } from './pageFonts';
import type { StagePlace, StageView } from './place';
import type { Contacts, Writer } from './pointers';
import { StageContext, type StageHold } from './StageContext';
import { StageController } from './StageController';

export interface HeldStage extends StageHold {
  getWriter(): Writer | null;
  readonly device: Device;
  /** The window's contacts, while it is on the screen; gives what lets go of them. */
  holdContacts(contacts: Contacts): () => void;
}

/** Where nothing is written, nothing is learned. */
const NO_DEVICE: Device = {
  fingersWrite: () => false,
  seePen: () => undefined,
  seeTwo: () => undefined,
};

function holdStage(
  pages: readonly Page[],
  device: Device,
  place?: StagePlace | null,
  view?: StageView,
): HeldStage {
  const controller = new StageController(pages, view);
  if (place) controller.beginAt(place);
  /** Who had the pen before gets it back. */
  let writers: readonly Writer[] = [];
  let contacts: Contacts | null = null;
  return {
    controller,
    fonts: pageFonts,
    getWriter: () => writers.at(-1) ?? null,
    device,
    holdContacts(next) {
      contacts = next;
      return () => {
        if (contacts === next) contacts = null;
      };
    },
    takeContact: (event) => contacts?.take(event),
    takePen(next) {
      const before = writers.at(-1);
      before?.cancel(true);
      before?.hover(null);
      writers = [...writers, next];
      return () => {
        writers = writers.filter((one) => one !== next);
      };
    },
  };
}

/** Makes one stage for a stack of pages, for everything on the screen that shows or moves it. */
export function StageProvider({
  pages,
  device = NO_DEVICE,
  place,
  view,
  look = 'plain',
  children,
}: {
  pages: readonly Page[];
  /** Asked and told about pens and fingers; the first one given stays. */
  device?: Device;
  /** Where one begins; the first one given counts. */
  place?: StagePlace | null;
  /** How they are arranged and turned at first. */
  view?: StageView;
  /** How paper is seen. */
  look?: PaperLook;
  children: ReactNode;
}) {
  const [hold] = useState<HeldStage>(() => holdStage(pages, device, place, view));
  useLayoutEffect(() => hold.controller.setPages(pages), [hold, pages]);
  useLayoutEffect(() => hold.controller.setLook(look), [hold, look]);
  return <StageContext.Provider value={hold}>{children}</StageContext.Provider>;
}

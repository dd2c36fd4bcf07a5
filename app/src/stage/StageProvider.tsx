import type { Page } from '@marginalis/core/document';
import { type ReactNode, useLayoutEffect, useState } from 'react';
import { readFaceFile } from '@/ui';
import { LoadedFonts } from './LoadedFonts';
import type { Writer } from './pointers';
import { StageContext, type StageHold } from './StageContext';
import { StageController } from './StageController';

export interface HeldStage extends StageHold {
  getWriter(): Writer | null;
}

function holdStage(pages: readonly Page[]): HeldStage {
  let writer: Writer | null = null;
  return {
    controller: new StageController(pages),
    fonts: new LoadedFonts(readFaceFile),
    getWriter: () => writer,
    takePen(next) {
      writer = next;
      return () => {
        if (writer === next) writer = null;
      };
    },
  };
}

/** Makes one stage for a stack of pages, for everything on the screen that shows or moves it. */
export function StageProvider({
  pages,
  children,
}: {
  pages: readonly Page[];
  children: ReactNode;
}) {
  const [hold] = useState<HeldStage>(() => holdStage(pages));
  useLayoutEffect(() => hold.controller.setPages(pages), [hold, pages]);
  return <StageContext.Provider value={hold}>{children}</StageContext.Provider>;
}

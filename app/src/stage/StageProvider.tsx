import type { PageBox } from '@marginalis/core/geometry';
import { type ReactNode, useMemo, useRef } from 'react';
import type { Writer } from './pointers';
import { StageContext, type StageHold } from './StageContext';
import { StageController } from './StageController';

export interface HeldStage extends StageHold {
  getWriter(): Writer | null;
}

/** Makes one stage for a stack of pages, for everything on the screen that shows or moves it. */
export function StageProvider({
  pages,
  children,
}: {
  pages: readonly PageBox[];
  children: ReactNode;
}) {
  const writer = useRef<Writer | null>(null);
  const hold = useMemo<HeldStage>(
    () => ({
      controller: new StageController(pages),
      getWriter: () => writer.current,
      takePen(next) {
        writer.current = next;
        return () => {
          if (writer.current === next) writer.current = null;
        };
      },
    }),
    [pages],
  );
  return <StageContext.Provider value={hold}>{children}</StageContext.Provider>;
}

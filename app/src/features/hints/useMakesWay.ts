import { roughBoundsOf } from '@marginalis/core/derived';
import { fromTop, marksOn } from '@marginalis/core/document';
import { box, boxesMeet, transformBox } from '@marginalis/core/geometry';
import { type RefObject, useEffect, useState } from 'react';
import { useSession } from '@/session';
import { useStage } from '@/stage';

/** Whether the card stands at the foot of the window: it goes to the other end when something is written beneath it. */
export function useMakesWay(card: RefObject<HTMLElement | null>): boolean {
  const { store } = useSession();
  const { controller } = useStage();
  const [atFoot, setAtFoot] = useState(false);
  useEffect(
    () =>
      store.subscribe(({ document }, before) => {
        const element = card.current;
        if (!element || document === before.document) return;
        const { offsetLeft: left, offsetTop: top, offsetWidth, offsetHeight } = element;
        const stands = box(left, top, left + offsetWidth, top + offsetHeight);
        for (const [index, { id }] of document.pages.entries()) {
          const marks = marksOn(document, id);
          if (marks === marksOn(before.document, id)) continue;
          const newest = fromTop(marks).next().value;
          if (!newest) continue;
          const written = transformBox(controller.userToView(index), roughBoundsOf(newest));
          if (boxesMeet(written, stands)) return setAtFoot((there) => !there);
        }
      }),
    [store, controller, card],
  );
  return atFoot;
}

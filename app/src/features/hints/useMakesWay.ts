import { roughBoundsOf } from '@marginalis/core/derived';
import { findMark, fromTop, marksOn } from '@marginalis/core/document';
import { box, boxesMeet, growBox, transformBox } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { type RefObject, useEffect, useState } from 'react';
import { type SessionState, useSession } from '@/session';
import { useStage } from '@/stage';

/** Room for the grips around what is picked, CSS pixels. */
const GRIPS = 40;

/** Whether the card stands at the foot of the window: it goes to the other end when something is written or picked beneath it. */
export function useMakesWay(card: RefObject<HTMLElement | null>): boolean {
  const { store } = useSession();
  const { controller } = useStage();
  const [atFoot, setAtFoot] = useState(false);
  useEffect(
    () =>
      store.subscribe((now, before) => {
        const element = card.current;
        if (!element) return;
        const { offsetLeft: left, offsetTop: top, offsetWidth, offsetHeight } = element;
        const stands = box(left, top, left + offsetWidth, top + offsetHeight);
        const meets = (mark: Mark, room: number): boolean => {
          const index = controller.indexOf(mark.page);
          if (index < 0) return false;
          const seen = transformBox(controller.userToView(index), roughBoundsOf(mark));
          return boxesMeet(growBox(seen, room), stands);
        };
        if (
          writtenIn(now, before).some((mark) => meets(mark, 0)) ||
          pickedIn(now, before).some((mark) => meets(mark, GRIPS))
        )
          setAtFoot((there) => !there);
      }),
    [store, controller, card],
  );
  return atFoot;
}

/** The topmost mark of each page that has changed. */
function writtenIn({ document }: SessionState, before: SessionState): Mark[] {
  if (document === before.document) return [];
  return document.pages.flatMap(({ id }) => {
    const marks = marksOn(document, id);
    if (marks === marksOn(before.document, id)) return [];
    return fromTop(marks).next().value ?? [];
  });
}

function pickedIn({ document, picked }: SessionState, before: SessionState): Mark[] {
  if (picked === before.picked) return [];
  return [...picked].flatMap((id) => findMark(document, id) ?? []);
}

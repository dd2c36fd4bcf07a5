import { marksAt, pickedBy } from '@marginalis/core/editing';
import { useEffect } from 'react';
import { useStore } from 'zustand';
import { askAt, withdrawQuestion, placeAsked, type Reader, useReader } from '@/shell';
import type { Follower, Touch } from '@/stage';

/** A finger is no finer than this, CSS pixels. */
const REACH = 8;

/** It has done what it does already. */
const NOTHING_MORE: Follower = {
  move: () => undefined,
  end: () => undefined,
  cancel: () => undefined,
};

/** A mark that is held is picked; at a bare place it is asked what is to stand there. */
function holdHere({ session, stage }: Reader, { index, user }: Touch): Follower | null {
  const { document, writable } = session.store.getState();
  const page = stage.pages[index]?.id;
  if (!writable || !page) return null;
  const [mark] = marksAt(document, page, user, REACH / stage.getCamera().zoom);
  if (mark) session.inHand.pick(pickedBy(document, mark, false));
  else {
    session.inHand.pick([]);
    askAt(session, { index, page, at: user });
  }
  return NOTHING_MORE;
}

/** Asks what is to stand at a place that is held, after all who would take what is there already; what is done elsewhere withdraws the question. */
export function HoldHere() {
  const reader = useReader();
  const { stage } = reader;
  const isAsking = useStore(placeAsked, ({ asked }) => asked?.session === reader.session);
  useEffect(() => stage.touches.hold((touch) => holdHere(reader, touch)), [reader, stage]);
  useEffect(() => {
    if (!isAsking) return undefined;
    const onKey = (e: KeyboardEvent): void => {
      if (e.key !== 'Escape') return;
      e.preventDefault();
      e.stopPropagation();
      withdrawQuestion();
    };
    const onDown = ({ target }: PointerEvent): void => {
      if (!(target instanceof Element && target.closest('[data-here]'))) withdrawQuestion();
    };
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('pointerdown', onDown, true);
    return () => {
      window.removeEventListener('keydown', onKey, true);
      window.removeEventListener('pointerdown', onDown, true);
    };
  }, [isAsking]);
  return null;
}

import { useEffect } from 'react';
import { useReader } from '@/shell';
import { holdWords } from './holdWords';

/** Lets fingers that move the paper select words by holding one; what is shown is {@link ChosenWords}. */
export function HeldWords() {
  const reader = useReader();
  const { session, stage } = reader;
  useEffect(() => {
    const listening = new AbortController();
    // The print beneath a finger is read while it rests: it is there when it has held.
    const element = stage.getElement();
    const onDown = (e: PointerEvent): void => {
      if (e.pointerType !== 'touch') return;
      const hit = stage.pageAt(stage.fromClient(e.clientX, e.clientY));
      const page = hit && session.store.getState().document.pages[hit.index];
      // What cannot be read holds no words.
      if (page) session.print.of(page).catch(() => undefined);
    };
    element?.addEventListener('pointerdown', onDown, { signal: listening.signal });
    const letGo = stage.touches.hold((touch) => holdWords(reader, touch));
    const untap = stage.touches.tap(() => {
      const some = session.words.store.getState().parts.length > 0;
      if (some) session.words.choose([]);
      return some;
    });
    return () => {
      listening.abort();
      letGo();
      untap();
    };
  }, [reader, session, stage]);
  return null;
}

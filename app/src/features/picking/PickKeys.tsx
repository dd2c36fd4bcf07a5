import { marksOn } from '@marginalis/core/document';
import { carryMarks, groupMarks, removeMarks, ungroupMarks } from '@marginalis/core/editing';
import {
  displayMatrix,
  invertMatrix,
  moveBy,
  thenMatrix,
  type Vec,
} from '@marginalis/core/geometry';
import { useEffect } from 'react';
import { type DocumentSession, useSession } from '@/session';
import { type StageController, useStage } from '@/stage';
import { arrowStep, isTyping } from '@/ui';
import { copyPicked, cutPicked, duplicatePicked, pasteClip } from './clipboard';

/** The page in the middle of the window and the place there; the current page's middle when none is. */
function middleOf(
  session: DocumentSession,
  stage: StageController,
): { page: string; at: Vec | null } {
  const { pages } = session.store.getState().document;
  const { width, height } = stage.getView();
  const hit = stage.pageAt({ x: width / 2, y: height / 2 });
  return hit
    ? { page: pages[hit.index].id, at: hit.user }
    : { page: pages[stage.getSight().current].id, at: null };
}

function withControl(e: KeyboardEvent, session: DocumentSession, stage: StageController): boolean {
  const { document, picked, writable } = session.store.getState();
  if (!writable) return false;
  const { page, at } = middleOf(session, stage);
  switch (e.key.toLowerCase()) {
    case 'a':
      session.pick(marksOn(document, page).keys());
      return true;
    case 'v':
      void pasteClip(session, page, at);
      return true;
    case 'c':
      if (picked.size > 0) void copyPicked(session);
      return picked.size > 0;
    case 'x':
      if (picked.size > 0) void cutPicked(session);
      return picked.size > 0;
    case 'd':
      duplicatePicked(session);
      return true;
    case 'g':
      session.dispatch(
        e.shiftKey
          ? ungroupMarks(document, picked)
          : groupMarks(document, picked, crypto.randomUUID()),
      );
      return true;
    default:
      return false;
  }
}

function plain(e: KeyboardEvent, session: DocumentSession): boolean {
  const { document, picked } = session.store.getState();
  if (picked.size === 0) return false;
  const step = arrowStep(e);
  if (step) {
    const [first] = picked;
    const page = document.pages.find(({ id }) => marksOn(document, id).has(first));
    if (!page) return false;
    // As seen, whichever way the page is turned.
    const display = displayMatrix(page);
    const matrix = thenMatrix(thenMatrix(display, moveBy(step)), invertMatrix(display));
    return session.dispatch(carryMarks(document, picked, matrix, 'Move'));
  }
  if (e.key === 'Delete' || e.key === 'Backspace')
    return session.dispatch(removeMarks(document, picked));
  return false;
}

/** The keys for what is picked; they come before those that move the paper. */
export function PickKeys() {
  const session = useSession();
  const { controller } = useStage();
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (isTyping(e) || document.querySelector('[role=dialog], [role=menu]')) return;
      // Handles have their own keys: arrows all of them, those of figures the others too.
      const handle = (e.target as Element).closest?.('[data-handle]');
      if (handle && (arrowStep(e) || !handle.hasAttribute('data-box'))) return;
      const control = e.ctrlKey || e.metaKey;
      if (!(control ? withControl(e, session, controller) : plain(e, session))) return;
      e.preventDefault();
      e.stopPropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [controller, session]);
  return null;
}

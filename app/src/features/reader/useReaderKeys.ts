import { useEffect } from 'react';
import { type DocumentSession, usePenRoll, useSession } from '@/session';
import { type StageController, useStage } from '@/stage';
import { isTyping } from '@/ui';

/** CSS pixels an arrow key moves the paper. */
const ARROW = 60;
const ZOOM = 1.25;

/** What works with Ctrl or Cmd held. */
function withControl(e: KeyboardEvent, stage: StageController, session: DocumentSession): boolean {
  const { zoom } = stage.getCamera();
  switch (e.key.toLowerCase()) {
    case 'z':
      if (e.shiftKey) session.redo();
      else session.undo();
      return true;
    case 'y':
      session.redo();
      return true;
    case '+':
    case '=':
      stage.zoomTo(zoom * ZOOM);
      return true;
    case '-':
      stage.zoomTo(zoom / ZOOM);
      return true;
    case '0':
      stage.setFit('width');
      return true;
    case '9':
      stage.setFit('page');
      return true;
    default:
      return false;
  }
}

function plain(e: KeyboardEvent, stage: StageController, session: DocumentSession): boolean {
  const { current } = stage.getSight();
  const { roll, choose } = usePenRoll.getState();
  const instrument = /^[1-9]$/.test(e.key) ? roll[Number(e.key) - 1] : undefined;
  if (instrument) choose(instrument.id);
  else if (e.key === 'Escape') {
    session.dismissOffer();
    session.pick([]);
  } else if (
    e.key === 'Enter' &&
    !(e.target as Element).closest('button, [role=button], [role=menuitem], a')
  )
    session.takeOffer();
  else if (e.key === 'PageDown') stage.goToPage(current + 1);
  else if (e.key === 'PageUp') stage.goToPage(current - 1);
  else if (e.key === 'Home') stage.goToPage(0);
  else if (e.key === 'End') stage.goToPage(stage.pages.length - 1);
  else if (e.key === 'ArrowDown') stage.pan(0, -ARROW);
  else if (e.key === 'ArrowUp') stage.pan(0, ARROW);
  else if (e.key === 'ArrowLeft') stage.pan(ARROW, 0);
  else if (e.key === 'ArrowRight') stage.pan(-ARROW, 0);
  else return false;
  return true;
}

/** The reader's keys; they rest while something is typed or a sheet is open. */
export function useReaderKeys(showKeys: () => void, toggleMargin: () => void): void {
  const session = useSession();
  const { controller } = useStage();
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (isTyping(e) || document.querySelector('[role=dialog], [role=menu]')) return;
      const control = e.ctrlKey || e.metaKey;
      if (!control && e.key === '?') showKeys();
      else if (!control && e.key.toLowerCase() === 'l') toggleMargin();
      else if (!(control ? withControl : plain)(e, controller, session)) return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [controller, session, showKeys, toggleMargin]);
}

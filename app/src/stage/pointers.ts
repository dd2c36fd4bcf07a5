import type { Vec } from '@marginalis/core/geometry';
import { isTyping } from '@/ui';
import { type Act, type Contact, type Device, Manners } from './manners';
import { PaperMover } from './PaperMover';
import type { StageController } from './StageController';

/** Whoever writes: told of the contacts that are meant for it. */
export interface Writer {
  start(event: PointerEvent, act: 'write' | 'erase'): void;
  move(event: PointerEvent): void;
  end(event: PointerEvent): void;
  /** The contact turned out to be something else, or the browser took it away. */
  cancel(keep: boolean): void;
  /** A pen or mouse over the page without touching it; null when it left. */
  hover(event: PointerEvent | null): void;
}

/** What is pressed on a chip and moves farther was not meant for it, CSS pixels. */
const THROUGH = 8;

/** A pen's dot so soon after a chip appeared was on its way before, ms: it is ink. */
export const DOT_TIME = 1_200;

/** What the browser brings just into sight comes so much farther up or down, CSS pixels. */
const FARTHER = 40;
const farther = (by: number): number => by + Math.sign(by) * FARTHER;

/** Whether a contact on a chip writes: nobody can have meant a chip that has just appeared, nor rubs on a button. */
export function writesOnChip(
  { pointerType, button, timeStamp }: Pick<PointerEvent, 'pointerType' | 'button' | 'timeStamp'>,
  chip: HTMLElement,
): boolean {
  const since = Number(chip.dataset.chip || -Infinity);
  // The eraser end and the barrel button press nothing.
  return pointerType === 'pen' && (button !== 0 || timeStamp - since < DOT_TIME);
}

/** Keeps a contact's events coming when it leaves the window. */
function capture(element: HTMLElement, pointer: number): void {
  try {
    element.setPointerCapture(pointer);
  } catch (e) {
    // A simulated stylus is no pointer of the browser's; its events come here anyway.
    if (!(e instanceof DOMException && e.name === 'NotFoundError')) throw e;
  }
}

/** The contacts of a window. */
export interface Contacts {
  /** Takes a contact that came down elsewhere, as if it had come down here. */
  take(event: PointerEvent): void;
  detach(): void;
}

/** Routes every contact with the window to the writer or to the paper. */
export function attachPointers(
  element: HTMLElement,
  stage: StageController,
  getWriter: () => Writer | null,
  device: Device,
): Contacts {
  let spaceHeld = false;
  const manners = new Manners(
    () => spaceHeld,
    () => getWriter() !== null,
    device,
  );
  const mover = new PaperMover(stage);
  let writing: number | null = null;
  /** The finger that moves the paper by itself: it may tap, or hold. */
  let touching: number | null = null;

  const contact = (e: PointerEvent): Contact => ({
    id: e.pointerId,
    type: e.pointerType,
    button: e.button,
    buttons: e.buttons,
    time: e.timeStamp,
  });
  const isControl = (e: Event): boolean =>
    e.target instanceof Element && e.target.closest('[data-control]') !== null;

  function turnOthers(act: Act, time: number): void {
    if (writing !== null) {
      // The first finger was the beginning of a pinch, or a palm that came before the pen: its line is not kept.
      getWriter()?.cancel(false);
      if (act === 'move') mover.down(writing, lastPlace, time);
      writing = null;
    }
    if (act !== 'ignore') return;
    mover.letAllGo();
    stage.touches.cancel();
    touching = null;
  }
  let lastPlace: Vec = { x: 0, y: 0 };

  /** A contact that came down on a chip, which stands where it stands, perhaps in the way of the next stroke. */
  let onChip: PointerEvent | null = null;

  function onDown(e: PointerEvent): void {
    const chip = e.target instanceof Element && e.target.closest<HTMLElement>('[data-chip]');
    onChip = chip && e.button === 0 && writing === null ? e : null;
    if (!isControl(e) || (chip && writesOnChip(e, chip))) begin(e);
  }

  function begin(e: PointerEvent): void {
    onChip = null;
    stage.locate();
    mover.stop();
    const { act, others } = manners.down(contact(e));
    if (others) turnOthers(others, e.timeStamp);
    if (act === 'ignore') return;
    element.dataset.byPointer = '';
    element.focus({ preventScroll: true });
    capture(element, e.pointerId);
    e.preventDefault();
    const at = stage.fromClient(e.clientX, e.clientY);
    if (act === 'move') {
      const isFirst = !mover.isHeld();
      mover.down(e.pointerId, at, e.timeStamp);
      const hit = isFirst && e.button === 0 ? stage.pageAt(at) : null;
      if (!isFirst) stage.touches.cancel();
      else if (hit) stage.touches.begin(at, { ...hit, event: e }, () => mover.letGo(e.pointerId));
      touching = hit ? e.pointerId : null;
    } else if (writing === null) {
      writing = e.pointerId;
      lastPlace = at;
      getWriter()?.start(e, act);
    }
  }

  function onMove(e: PointerEvent): void {
    if (e.pointerType === 'pen') manners.penNear(e.timeStamp);
    if (onChip?.pointerId === e.pointerId) {
      const down = onChip;
      if (Math.hypot(e.clientX - down.clientX, e.clientY - down.clientY) > THROUGH) {
        begin(down);
      }
    }
    if (e.pointerId === touching) {
      if (stage.touches.move(stage.fromClient(e.clientX, e.clientY), e)) return;
    }
    if (e.pointerId === writing) {
      lastPlace = stage.fromClient(e.clientX, e.clientY);
      getWriter()?.move(e);
    } else if (mover.holds(e.pointerId))
      mover.move(e.pointerId, stage.fromClient(e.clientX, e.clientY), e.timeStamp);
    else if (e.pointerType !== 'touch' && e.buttons === 0) {
      stage.locate();
      getWriter()?.hover(isControl(e) ? null : e);
    }
  }

  function onUp(e: PointerEvent): void {
    onChip = null;
    manners.up(contact(e));
    if (e.pointerId === touching) {
      touching = null;
      stage.touches.end(stage.fromClient(e.clientX, e.clientY), e);
    }
    if (e.pointerId === writing) {
      writing = null;
      getWriter()?.end(e);
    } else mover.up(e.pointerId, e.timeStamp);
  }

  function onCancel(e: PointerEvent): void {
    onChip = null;
    manners.up(contact(e));
    mover.letGo(e.pointerId);
    if (e.pointerId === touching) {
      touching = null;
      stage.touches.cancel();
    }
    if (e.pointerId !== writing) return;
    writing = null;
    // A call, a tab switch or the system took the pen away: what was written stays.
    getWriter()?.cancel(true);
  }

  function onWheel(e: WheelEvent): void {
    e.preventDefault();
    stage.locate();
    mover.stop();
    const unit = e.deltaMode === 1 ? 32 : e.deltaMode === 2 ? stage.getView().height : 1;
    if (e.ctrlKey || e.metaKey) {
      const at = stage.fromClient(e.clientX, e.clientY);
      const step = Math.max(-60, Math.min(60, e.deltaY * unit));
      stage.zoomTo(stage.getCamera().zoom * Math.exp(-step * 0.006), at);
    } else if (e.shiftKey && e.deltaX === 0) stage.scroll(-e.deltaY * unit, 0);
    else stage.scroll(-e.deltaX * unit, -e.deltaY * unit);
  }

  const onKey = (e: KeyboardEvent): void => {
    if (e.key === 'Tab') delete element.dataset.byPointer;
    if (
      e.code !== 'Space' ||
      isTyping(e) ||
      (e.target as Element | null)?.closest?.('button, [role=button]')
    )
      return;
    spaceHeld = e.type === 'keydown';
    element.style.cursor = spaceHeld ? 'grab' : '';
    e.preventDefault();
  };
  /** The browser scrolls what is focused into sight: here the camera does. */
  const onScroll = (): void => {
    const { scrollLeft, scrollTop } = element;
    if (scrollLeft === 0 && scrollTop === 0) return;
    element.scrollTo(0, 0);
    stage.pan(-scrollLeft, -farther(scrollTop));
  };
  const onLeave = (): void => getWriter()?.hover(null);
  const refuse = (e: Event): void => {
    if (!isControl(e)) e.preventDefault();
  };
  /** What a mouse asks for with its right button a finger asks for by holding. */
  const onMenu = (e: MouseEvent): void => {
    refuse(e);
    const { clientX, clientY } = e;
    // A finger that holds is seen already, and not every browser says whose the menu is.
    if (isControl(e) || (e instanceof PointerEvent && e.pointerType !== 'mouse')) return;
    stage.locate();
    const hit = stage.pageAt(stage.fromClient(clientX, clientY));
    const event = new PointerEvent('pointerup', { clientX, clientY, pointerType: 'mouse' });
    if (hit) void stage.touches.holdBriefly({ ...hit, event });
  };

  element.addEventListener('pointerdown', onDown);
  element.addEventListener('pointermove', onMove);
  element.addEventListener('pointerup', onUp);
  element.addEventListener('pointercancel', onCancel);
  element.addEventListener('pointerleave', onLeave);
  element.addEventListener('wheel', onWheel, { passive: false });
  element.addEventListener('scroll', onScroll);
  element.addEventListener('contextmenu', onMenu);
  element.addEventListener('dragstart', refuse);
  // Without this, some tablets select text or scroll under a resting palm whatever touch-action says.
  element.addEventListener('touchstart', refuse, { passive: false });
  window.addEventListener('keydown', onKey);
  window.addEventListener('keyup', onKey);
  const detach = (): void => {
    mover.stop();
    element.removeEventListener('pointerdown', onDown);
    element.removeEventListener('pointermove', onMove);
    element.removeEventListener('pointerup', onUp);
    element.removeEventListener('pointercancel', onCancel);
    element.removeEventListener('pointerleave', onLeave);
    element.removeEventListener('wheel', onWheel);
    element.removeEventListener('scroll', onScroll);
    element.removeEventListener('contextmenu', onMenu);
    element.removeEventListener('dragstart', refuse);
    element.removeEventListener('touchstart', refuse);
    window.removeEventListener('keydown', onKey);
    window.removeEventListener('keyup', onKey);
  };
  return { take: begin, detach };
}

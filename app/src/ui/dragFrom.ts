/** CSS pixels that a press moves before it drags. */
const SLACK = 6;
/** A finger that rests so long drags; one that moves before scrolls. */
const HOLD = 350;
/** CSS pixels of what is dragged, at most. */
const LARGEST = 160;

/** What becomes of a press on a thing. */
export interface Drag {
  /** Its picture, as a data URL; empty where there is none. */
  readonly preview: string;
  /** Once it is dragged. */
  readonly onBegin: () => void;
  /** Where it is, CSS pixels of the window. */
  readonly onMove?: (clientX: number, clientY: number) => void;
  /** Where it is let go, CSS pixels of the window. */
  readonly onDrop: (clientX: number, clientY: number) => void;
  /** When it has been dragged, wherever it went. */
  readonly onEnd?: () => void;
}

/** Follows a press that may become a drag, wherever it goes; Escape gives it up. What was pressed may be gone once it is dragged. */
export function dragFrom(
  down: Pick<PointerEvent, 'pointerId' | 'pointerType' | 'clientX' | 'clientY' | 'button'>,
  pressed: Element,
  { preview, onBegin, onMove, onDrop, onEnd }: Drag,
): void {
  if (down.button !== 0) return;
  let picture: HTMLElement | null = null;
  let at = { x: down.clientX, y: down.clientY };
  const isOwn = (e: PointerEvent): boolean => e.pointerId === down.pointerId;
  const begin = (): void => {
    picture = pictureAt(preview, at);
    onBegin();
  };
  const holding = down.pointerType === 'touch' ? setTimeout(begin, HOLD) : undefined;
  const stop = new AbortController();
  const end = (): void => {
    clearTimeout(holding);
    stop.abort();
    if (!picture) return;
    picture.remove();
    onEnd?.();
  };
  const listen = { signal: stop.signal, capture: true };
  window.addEventListener(
    'pointermove',
    (e) => {
      if (!isOwn(e)) return;
      const moved = Math.hypot(e.clientX - down.clientX, e.clientY - down.clientY);
      at = { x: e.clientX, y: e.clientY };
      if (picture) {
        // The pages beneath are not written on.
        e.stopPropagation();
        place(picture, at);
        onMove?.(at.x, at.y);
      } else if (moved > SLACK) {
        if (down.pointerType === 'touch') end();
        else begin();
      }
    },
    listen,
  );
  window.addEventListener(
    'pointerup',
    (e) => {
      if (!isOwn(e)) return;
      const isDragged = picture !== null;
      end();
      if (!isDragged) return;
      ignoreClick();
      onDrop(e.clientX, e.clientY);
    },
    listen,
  );
  window.addEventListener('pointercancel', (e) => isOwn(e) && end(), listen);
  window.addEventListener(
    'keydown',
    (e) => {
      if (e.key !== 'Escape') return;
      // The sheet beneath stays open.
      if (picture) e.stopPropagation();
      end();
    },
    listen,
  );
  // A finger that drags does not scroll, nor does it call for a menu. What touches hears of it goes to what was touched, also when that is gone.
  const hinder = (e: Event): void => {
    if (picture) e.preventDefault();
  };
  pressed.addEventListener('touchmove', hinder, { passive: false, signal: stop.signal });
  window.addEventListener('contextmenu', hinder, listen);
}

/** What was dragged is not pressed as well: browsers click what a finger has been on all the while. */
function ignoreClick(): void {
  const ignored = new AbortController();
  window.addEventListener(
    'click',
    (e) => {
      e.stopPropagation();
      e.preventDefault();
    },
    { capture: true, signal: ignored.signal },
  );
  setTimeout(() => ignored.abort());
}

function pictureAt(preview: string, at: { readonly x: number; readonly y: number }): HTMLElement {
  const picture = document.createElement(preview ? 'img' : 'div');
  if (picture instanceof HTMLImageElement) picture.src = preview;
  Object.assign(picture.style, {
    ...{ position: 'fixed', left: '0', top: '0', zIndex: '10000', pointerEvents: 'none' },
    ...{ maxWidth: `${LARGEST}px`, maxHeight: `${LARGEST}px`, opacity: '0.85' },
  });
  if (!preview)
    Object.assign(picture.style, { width: '24px', height: '24px', border: '2px dashed #1f3361' });
  picture.setAttribute('aria-hidden', 'true');
  picture.dataset.dragged = '';
  document.body.append(picture);
  place(picture, at);
  return picture;
}

function place(picture: HTMLElement, { x, y }: { readonly x: number; readonly y: number }): void {
  picture.style.transform = `translate(${x}px, ${y}px) translate(-50%, -50%)`;
}

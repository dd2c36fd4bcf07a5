import { add, subtract, transform, type Vec } from '@marginalis/core/geometry';
import type { Reader } from '@/shell';

/** So near the edge of the window the paper moves on beneath what is dragged, CSS pixels; by so many every so many ms. */
const EDGE = 36;
const SCROLLED = 7;
const EVERY = 16;

export interface GripDrag {
  /** The page the grip was taken on, from 0, and the place that it means there, in user space. */
  readonly index: number;
  readonly meant: Vec;
  /** Hears the place that is meant as it moves, in the stage's window. */
  readonly follow: (at: Vec) => void;
  readonly letGo: () => void;
}

/**
 * Follows a pointer that has taken a grip until it is lifted, the paper moving on at the window's edge. It listens to the window: the grip goes with its page when it
 * comes onto another one.
 */
export function dragOverPages({ stage }: Reader, down: PointerEvent, drag: GripDrag): void {
  stage.locate();
  const inWindow = (e: PointerEvent): Vec => stage.fromClient(e.clientX, e.clientY);
  let pointer = inWindow(down);
  const off = subtract(transform(stage.userToView(drag.index), drag.meant), pointer);
  const follow = (): void => drag.follow(add(pointer, off));
  const scrolling = setInterval(() => {
    const by = pointer.y < EDGE ? 1 : pointer.y > stage.getView().height - EDGE ? -1 : 0;
    if (by === 0) return;
    stage.pan(0, by * SCROLLED);
    follow();
  }, EVERY);
  const listening = new AbortController();
  const listen = (type: 'pointermove' | 'pointerup' | 'pointercancel', act: () => void): void =>
    window.addEventListener(
      type,
      (e) => {
        if (e.pointerId !== down.pointerId) return;
        pointer = inWindow(e);
        act();
      },
      { signal: listening.signal, capture: true },
    );
  const letGo = (): void => {
    clearInterval(scrolling);
    listening.abort();
    drag.letGo();
  };
  listen('pointermove', follow);
  listen('pointerup', letGo);
  listen('pointercancel', letGo);
}

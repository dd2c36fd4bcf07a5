import type { Page } from '@marginalis/core/document';
import { add, subtract, transform, type Vec } from '@marginalis/core/geometry';
import { placeNear, type Print } from '@marginalis/core/print';
import type { WordEnd } from '@/session';
import type { Reader } from '@/shell';
import { type PagePart, partsBetween } from './partsBetween';

/** So near the edge of the window the paper moves on beneath what is dragged, CSS pixels; by so many every so many ms. */
const EDGE = 36;
const SCROLLED = 7;
const EVERY = 16;

export interface EndDrag {
  /** The page the grip was taken on, from 0, and the place that it means there, in user space. */
  readonly index: number;
  readonly meant: Vec;
  /** The end that stays. */
  readonly other: WordEnd;
  /** Other pages are not gone over. */
  readonly within: boolean;
  readonly printOf: (page: Page) => Print | null;
  /** `done` when the end is let go. */
  readonly onChange: (parts: readonly PagePart[], done: boolean) => void;
}

/**
 * Follows a pointer that has taken an end of words, until it is lifted. It listens to the window: the grip goes with its page when the end comes onto
 * another one.
 */
export function dragEnd({ session, stage }: Reader, down: PointerEvent, drag: EndDrag): void {
  const { index, meant, other, within, printOf, onChange } = drag;
  stage.locate();
  const inWindow = (e: PointerEvent): Vec => stage.fromClient(e.clientX, e.clientY);
  let pointer = inWindow(down);
  const off = subtract(transform(stage.userToView(index), meant), pointer);
  let shown: readonly PagePart[] | null = null;

  const follow = (): void => {
    const at = add(pointer, off);
    const hit = stage.pageAt(at);
    const on = hit && !within ? hit.index : index;
    const { pages } = session.store.getState().document;
    const print = printOf(pages[on]);
    // It will be known when the pointer moves on.
    if (!print) return void session.print.of(pages[on]).catch(() => undefined);
    const place = placeNear(print, stage.toUser(on, at));
    const parts = place === null ? [] : partsBetween(pages, printOf, { page: on, place }, other);
    if (parts.length === 0) return;
    shown = parts;
    onChange(parts, false);
  };
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
    if (shown) onChange(shown, true);
  };
  listen('pointermove', follow);
  listen('pointerup', letGo);
  listen('pointercancel', letGo);
}

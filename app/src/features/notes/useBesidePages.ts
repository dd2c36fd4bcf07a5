import { type RefObject, useLayoutEffect, useRef, useState } from 'react';
import { useReader } from '@/shell';
import { GAP } from './cardMeasures';
import { notesHeld } from './notesHeld';

/** Where the column beside the pages stands, CSS pixels. */
export interface ColumnPlace {
  /** From the left edge of the first page. */
  readonly x: number;
  readonly width: number;
  readonly height: number;
  /** How far below the head of the first page it begins, when the pages are at their head. */
  readonly head: number;
}

const NOWHERE: ColumnPlace = { x: 0, width: 0, height: 0, head: 0 };

/** A column beside the pages, and a sheet in it that moves with them; what the sheet holds beyond the pages comes with the wheel. */
export function useBesidePages(): {
  readonly column: RefObject<HTMLDivElement | null>;
  readonly sheet: RefObject<HTMLDivElement | null>;
  readonly place: ColumnPlace;
} {
  const { stage } = useReader();
  const column = useRef<HTMLDivElement>(null);
  const sheet = useRef<HTMLDivElement>(null);
  const [place, setPlace] = useState<ColumnPlace>(NOWHERE);
  /** So much the sheet is moved beyond the pages, CSS pixels. */
  const slip = useRef(0);
  useLayoutEffect(() => {
    let at = stage.cornerOf(0)[1];
    const follow = (): void => {
      const { current } = column;
      if (!current || !sheet.current) return;
      const rect = current.getBoundingClientRect();
      const { x, y } = stage.fromClient(rect.left, rect.top);
      const [left, top] = stage.cornerOf(0);
      // Once the pages move, cards go with them again.
      if (top !== at) slip.current = 0;
      at = top;
      sheet.current.style.transform = `translateY(${top - y + slip.current}px)`;
      const camera = stage.getCamera();
      const next = {
        x: Math.round(x - left),
        width: current.offsetWidth,
        height: current.offsetHeight,
        head: Math.round(y - top - camera.y * camera.zoom),
      };
      setPlace((before) =>
        Object.values(next).every((value, k) => value === Object.values(before)[k]) ? before : next,
      );
    };
    stage.locate();
    follow();
    const resized = new ResizeObserver(() => {
      stage.locate();
      follow();
    });
    if (column.current) resized.observe(column.current);
    const ended = stage.subscribe(follow);
    const move = (by: number): void => {
      const { current } = column;
      if (!current) return;
      const [, before] = stage.cornerOf(0);
      stage.pan(0, by);
      // The pages are at their end: what is out of sight still comes.
      if (stage.cornerOf(0)[1] !== before) return;
      slip.current += slipBy(current, by);
      follow();
    };
    const onWheel = (e: WheelEvent): void => {
      const card = e.target instanceof Element ? e.target.closest('[data-card]') : null;
      if (card && canScroll(card, e.deltaY)) return;
      e.preventDefault();
      move(-e.deltaY);
    };
    // What the keyboard comes to is brought into sight; the browser has nothing to scroll here. What is tapped stays where it is.
    const onFocus = ({ target }: FocusEvent): void => {
      const { current } = column;
      const isReached = target instanceof Element && target.matches(':focus-visible');
      const card = isReached ? target.closest('[data-card]') : null;
      // The one that is read stands in sight already, or is on its way there.
      if (!current || !card || card.getAttribute('data-card') === notesHeld.getState().chosen)
        return;
      const [seen, at] = [current.getBoundingClientRect(), card.getBoundingClientRect()];
      if (at.bottom > seen.bottom) move(seen.bottom - at.bottom - GAP);
      else if (at.top < seen.top) move(seen.top - at.top + GAP);
    };
    const held = column.current;
    held?.addEventListener('wheel', onWheel, { passive: false });
    held?.addEventListener('focusin', onFocus);
    return () => {
      held?.removeEventListener('wheel', onWheel);
      held?.removeEventListener('focusin', onFocus);
      resized.disconnect();
      ended();
    };
  }, [stage]);
  return { column, sheet, place };
}

/** Whether there is more of a card that way. */
const canScroll = (card: Element, by: number): boolean =>
  by < 0 ? card.scrollTop > 0 : card.scrollTop + card.clientHeight < card.scrollHeight - 1;

/** How far cards are moved beyond the pages: until the last one's foot, or the first one's head, is in the column. */
function slipBy(column: HTMLElement, by: number): number {
  const { top, bottom } = column.getBoundingClientRect();
  const cards = [...column.querySelectorAll('[data-card]')].map((card) =>
    card.getBoundingClientRect(),
  );
  const head = Math.min(...cards.map((card) => card.top));
  const foot = Math.max(...cards.map((card) => card.bottom));
  return Math.max(Math.min(0, bottom - foot - GAP), Math.min(Math.max(0, top - head + GAP), by));
}

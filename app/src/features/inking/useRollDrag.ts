import { type PointerEvent as ReactPointerEvent, useRef, useState } from 'react';

/** Holding so long without moving picks an instrument up, ms; a mouse picks up by moving. */
const HOLD = 350;
/** Less movement than this is a press, CSS pixels. */
const SLACK = 8;

interface Drag {
  readonly id: string;
  readonly from: number;
  readonly start: number;
  readonly scroll: number;
  readonly touch: boolean;
  readonly since: number;
  /** What the contact turned out to be. */
  act: 'press' | 'order' | 'scroll';
}

/**
 * Reorders the roll by dragging: a mouse drags at once, a finger or pen after holding still; a finger that moves
 * at once scrolls the roll instead. `step` is the distance between neighbours in CSS pixels.
 */
export function useRollDrag(
  upright: boolean,
  step: number,
  onMove: (id: string, to: number) => void,
) {
  const drag = useRef<Drag | null>(null);
  const moved = useRef(false);
  const [lifted, setLifted] = useState<{ id: string; by: number } | null>(null);
  const place = (e: ReactPointerEvent): number => (upright ? e.clientY : e.clientX);
  const scroller = (e: ReactPointerEvent): HTMLElement | null =>
    e.currentTarget.closest<HTMLElement>('[data-roll]');

  const end = (commit: boolean): void => {
    const d = drag.current;
    drag.current = null;
    moved.current = d !== null && d.act !== 'press';
    if (d?.act === 'order' && lifted && commit) onMove(d.id, d.from + Math.round(lifted.by / step));
    setLifted(null);
  };

  return {
    lifted,
    /** Whether the last contact was no press. */
    wasDrag: (): boolean => moved.current,
    handlers: (id: string, from: number) => ({
      onPointerDown: (e: ReactPointerEvent) => {
        const host = scroller(e);
        moved.current = false;
        drag.current = {
          id,
          from,
          start: place(e),
          scroll: (upright ? host?.scrollTop : host?.scrollLeft) ?? 0,
          touch: e.pointerType === 'touch',
          since: e.timeStamp,
          act: 'press',
        };
      },
      onPointerMove: (e: ReactPointerEvent) => {
        const d = drag.current;
        if (!d || e.buttons === 0) return;
        const by = place(e) - d.start;
        if (d.act === 'press') {
          if (Math.abs(by) < SLACK) return;
          d.act = d.touch && e.timeStamp - d.since < HOLD ? 'scroll' : 'order';
          e.currentTarget.setPointerCapture(e.pointerId);
        }
        const host = scroller(e);
        if (d.act === 'order') setLifted({ id, by });
        else if (host && upright) host.scrollTop = d.scroll - by;
        else if (host) host.scrollLeft = d.scroll - by;
      },
      onPointerUp: () => end(true),
      onPointerCancel: () => end(false),
    }),
  };
}

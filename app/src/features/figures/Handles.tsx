import {
  type DragManners,
  dragHandle,
  type Figure,
  type Handle,
  handlesOf,
  withoutCorner,
} from '@marginalis/core/figures';
import {
  add,
  displayMatrix,
  displaySize,
  invertMatrix,
  type PageBox,
  subtract,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { Grip, useStage } from '@/stage';
import { arrowStep } from '@/ui';

/** What is seen of a handle, CSS pixels. */
const SEEN = 14;
const SEEN_ADD = 10;
/** Less movement than this is a press, CSS pixels. */
const TREMBLE = 3;

interface HandlesProps {
  index: number;
  page: PageBox;
  figure: Figure;
  /** While a handle is dragged; null when the drag is called off. */
  onDrag: (figure: Figure | null) => void;
  onDrop: (figure: Figure) => void;
  onRemove: () => void;
  onDone: () => void;
}

/** The points by which a figure is changed, with the pointer or with the keyboard. */
export function Handles(props: HandlesProps) {
  const { index, page, figure, onDrag, onDrop, onRemove, onDone } = props;
  const { controller } = useStage();
  /** The figure as it was when the drag began, and as it is now; where the handle was taken, from its middle. */
  const drag = useRef<{ from: Figure; now: Figure; off: Vec; at: Vec } | null>(null);
  const matrix = displayMatrix(page);
  const { width, height } = displaySize(page);

  const manners = (e: { shiftKey: boolean; altKey: boolean }): DragManners => ({
    even: e.shiftKey,
    fromCentre: e.altKey,
  });
  const placeOf = (e: PointerEvent): Vec =>
    controller.toUser(index, controller.fromClient(e.clientX, e.clientY));
  const begin = (handle: Handle, e: PointerEvent<HTMLDivElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    const at = { x: e.clientX, y: e.clientY };
    drag.current = { from: figure, now: figure, off: subtract(handle.at, placeOf(e)), at };
  };
  const move = (handle: Handle, e: PointerEvent) => {
    const { current } = drag;
    if (!current) return;
    const far = Math.hypot(e.clientX - current.at.x, e.clientY - current.at.y);
    // A press that trembles is no drag.
    if (current.now === current.from && far < TREMBLE) return;
    current.now = dragHandle(current.from, handle.id, add(placeOf(e), current.off), manners(e));
    onDrag(current.now);
  };
  const drop = (keep: boolean) => {
    const { current } = drag;
    drag.current = null;
    if (!current) return;
    const isSame = JSON.stringify(current.now) === JSON.stringify(current.from);
    if (keep && !isSame) onDrop(current.now);
    else onDrag(null);
  };
  const onKey = (handle: Handle, e: KeyboardEvent) => {
    const step = arrowStep(e);
    if (step) {
      // As seen on the screen, whichever way the page is turned.
      const to = add(transform(matrix, handle.at), step);
      onDrop(dragHandle(figure, handle.id, transform(invertMatrix(matrix), to)));
    } else if (e.key === 'Delete' || e.key === 'Backspace') {
      const fewer = withoutCorner(figure, handle.id);
      if (fewer) onDrop(fewer);
      else onRemove();
    } else if (e.key === 'Escape') onDone();
    else return;
    e.preventDefault();
    e.stopPropagation();
  };

  return (
    <>
      {handlesOf(figure).map((handle) => {
        const at = transform(matrix, handle.at);
        return (
          <Grip
            key={handle.id}
            id={handle.id}
            name={handle.name}
            left={`${(100 * at.x) / width}%`}
            top={`${(100 * at.y) / height}%`}
            seen={handle.role === 'add' ? SEEN_ADD : SEEN}
            round={handle.role !== 'shape'}
            filled={handle.role === 'turn'}
            opacity={handle.role === 'add' ? 0.75 : 1}
            cursor={handle.role === 'move' ? 'move' : 'grab'}
            // Small figures: what shapes them lies above what moves them.
            zIndex={handle.role === 'shape' ? 3 : 2}
            onPointerDown={(e) => begin(handle, e)}
            onPointerMove={(e) => move(handle, e)}
            onPointerUp={() => drop(true)}
            onPointerCancel={() => drop(false)}
            onKeyDown={(e) => onKey(handle, e)}
          />
        );
      })}
    </>
  );
}

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
  transform,
} from '@marginalis/core/geometry';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { Grip, useStage } from '@/stage';
import { arrowStep } from '@/ui';

/** What is seen of a handle, CSS pixels. */
const SEEN = 14;
const SEEN_ADD = 10;

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
  /** The figure as it was when the drag began, and as it is now. */
  const drag = useRef<{ from: Figure; now: Figure } | null>(null);
  const matrix = displayMatrix(page);
  const { width, height } = displaySize(page);

  const manners = (e: { shiftKey: boolean; altKey: boolean }): DragManners => ({
    even: e.shiftKey,
    fromCentre: e.altKey,
  });
  const begin = (e: PointerEvent<HTMLDivElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    drag.current = { from: figure, now: figure };
  };
  const move = (handle: Handle, e: PointerEvent) => {
    const { current } = drag;
    if (!current) return;
    const at = controller.toUser(index, controller.fromClient(e.clientX, e.clientY));
    current.now = dragHandle(current.from, handle.id, at, manners(e));
    onDrag(current.now);
  };
  const drop = (keep: boolean) => {
    const { current } = drag;
    drag.current = null;
    if (!current) return;
    if (keep && current.now !== current.from) onDrop(current.now);
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
            onPointerDown={begin}
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

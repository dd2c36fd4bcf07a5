import {
  type DragManners,
  dragHandle,
  type Figure,
  type Handle,
  handlesOf,
  withoutCorner,
} from '@marginalis/core/figures';
import {
  displayMatrix,
  displaySize,
  invertMatrix,
  type PageBox,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { useTheme } from 'react-native-paper';
import { useStage } from '@/stage';
import { Area } from '@/ui';

/** What can be touched, and what is seen of it, CSS pixels. */
const TOUCH = 44;
const SEEN = 14;
const SEEN_ADD = 10;
/** How far an arrow key moves a handle, points; with Shift farther. */
const STEP = 1;
const LEAP = 10;

const WAYS: Readonly<Record<string, Vec>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

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
  const { colors } = useTheme();
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
  const move = (handle: Handle, e: PointerEvent<HTMLDivElement>) => {
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
    const way = WAYS[e.key];
    if (way) {
      // As seen on the screen, whichever way the page is turned.
      const by = e.shiftKey ? LEAP : STEP;
      const seen = transform(matrix, handle.at);
      const to = { x: seen.x + way.x * by, y: seen.y + way.y * by };
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
        const seen = handle.role === 'add' ? SEEN_ADD : SEEN;
        const round = handle.role !== 'shape';
        return (
          <Area
            key={handle.id}
            data-control
            data-handle={handle.id}
            role="button"
            aria-label={handle.name}
            aria-description="Drag, or press the arrow keys"
            tabIndex={0}
            onPointerDown={begin}
            onPointerMove={(e) => move(handle, e)}
            onPointerUp={() => drop(true)}
            onPointerCancel={() => drop(false)}
            onKeyDown={(e) => onKey(handle, e)}
            style={{
              position: 'absolute',
              left: `calc(${(100 * at.x) / width}% - ${TOUCH / 2}px)`,
              top: `calc(${(100 * at.y) / height}% - ${TOUCH / 2}px)`,
              width: TOUCH,
              height: TOUCH,
              display: 'flex',
              alignItems: 'center',
              justifyContent: 'center',
              borderRadius: TOUCH / 2,
              cursor: handle.role === 'move' ? 'move' : 'grab',
              touchAction: 'none',
              // Small figures: what shapes them lies above what moves them.
              zIndex: handle.role === 'shape' ? 3 : 2,
            }}
          >
            <Area
              style={{
                width: seen,
                height: seen,
                boxSizing: 'border-box',
                borderRadius: round ? seen / 2 : 2,
                border: `2px solid ${colors.primary}`,
                background: handle.role === 'turn' ? colors.primary : colors.surface,
                opacity: handle.role === 'add' ? 0.75 : 1,
                boxShadow: '0 0 0 1px rgba(255,255,255,0.9)',
              }}
            />
          </Area>
        );
      })}
    </>
  );
}

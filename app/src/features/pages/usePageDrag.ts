import { type PointerEvent, type RefObject, useRef, useState } from 'react';
import type { FlatList } from 'react-native';
import { dragFrom } from '@/ui';
import { type Cells, gapAt } from './choice';

/** So near to its head or foot a table moves on by itself, CSS pixels, and so much a frame. */
const EDGE = 48;
const PACE = 9;

/** Pages dragged over the table: where they would come to stand, and what is done when they are let go. */
export function usePageDrag(
  list: RefObject<FlatList<number> | null>,
  cells: Cells,
  onDrop: (index: number, gap: number) => void,
): {
  /** Before which cell; null while nothing is dragged. */
  readonly gap: number | null;
  begin(index: number, e: PointerEvent<Element>): void;
} {
  const [gap, setGap] = useState<number | null>(null);
  const moving = useRef(0);
  const begin = (index: number, e: PointerEvent<Element>): void => {
    const table = list.current?.getScrollableNode() as HTMLElement | undefined;
    if (!table) return;
    let at = { x: e.clientX, y: e.clientY };
    const place = (): number => {
      const box = table.getBoundingClientRect();
      return gapAt(cells, at.x - box.left, at.y - box.top + table.scrollTop);
    };
    /** Near an edge it goes on, as long as it is held there. */
    const goOn = (): void => {
      const box = table.getBoundingClientRect();
      const by = at.y < box.top + EDGE ? -PACE : at.y > box.bottom - EDGE ? PACE : 0;
      if (by !== 0) table.scrollTop += by;
      setGap(place());
      moving.current = requestAnimationFrame(goOn);
    };
    const picture = e.currentTarget.querySelector('img')?.src ?? '';
    dragFrom(e.nativeEvent, e.currentTarget, {
      preview: picture,
      onBegin: goOn,
      onMove: (x, y) => (at = { x, y }),
      onDrop: (x, y) => {
        at = { x, y };
        const box = table.getBoundingClientRect();
        const isOver = x > box.left - EDGE && x < box.right + EDGE;
        if (isOver) onDrop(index, place());
      },
      onEnd: () => {
        cancelAnimationFrame(moving.current);
        setGap(null);
      },
    });
  };
  return { gap, begin };
}

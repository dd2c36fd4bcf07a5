import { type ReactNode, useLayoutEffect, useRef } from 'react';
import { Area } from '@/ui';
import { light } from './notesHeld';

/** How long cards take to make room for each other, ms. */
const MAKING_ROOM = 180;

/** A card where it stands; tells how high it is. */
export function PlacedCard(props: {
  id: string;
  top: number;
  eased: boolean;
  above: boolean;
  /** So high it can be, CSS pixels: what of it has no room comes with the wheel. */
  room: number;
  onHeight: (id: string, height: number) => void;
  children: ReactNode;
}) {
  const { id, top, eased, above, room, onHeight, children } = props;
  const element = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const { current } = element;
    if (!current) return undefined;
    const tell = (): void => onHeight(id, current.offsetHeight);
    tell();
    const resized = new ResizeObserver(tell);
    resized.observe(current);
    return () => resized.disconnect();
  }, [id, onHeight]);
  return (
    <Area
      ref={element}
      data-card={id}
      onPointerEnter={() => light(id, true)}
      onPointerLeave={() => light(id, false)}
      style={{
        position: 'absolute',
        left: 0,
        right: 0,
        top: 0,
        transform: `translateY(${top}px)`,
        transition: eased ? `transform ${MAKING_ROOM}ms ease-out` : undefined,
        zIndex: above ? 2 : 1,
        maxHeight: room,
        overflowY: 'auto',
      }}
    >
      {children}
    </Area>
  );
}

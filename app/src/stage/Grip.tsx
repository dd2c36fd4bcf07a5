import type { KeyboardEvent, PointerEvent } from 'react';
import { useTheme } from 'react-native-paper';
import { Area } from '@/ui';

/** What can be touched, CSS pixels. */
export const TOUCH = 44;

/** What every grip tells those who do not see it, and what looks for it. */
export const gripManners = (id: string, name: string) => ({
  'data-control': true,
  'data-handle': id,
  role: 'button',
  'aria-label': name,
  'aria-description': 'Drag, or press the arrow keys',
  tabIndex: 0,
});

/** What can be touched around a point of a page, by CSS lengths of that point: a layout for what is seen in its middle. */
export const spotStyle = (left: string, top: string) =>
  ({
    position: 'absolute',
    left: `calc(${left} - ${TOUCH / 2}px)`,
    top: `calc(${top} - ${TOUCH / 2}px)`,
    width: TOUCH,
    height: TOUCH,
    display: 'flex',
    alignItems: 'center',
    justifyContent: 'center',
  }) as const;

interface GripProps {
  id: string;
  name: string;
  /** CSS lengths of its middle on the page. */
  left: string;
  top: string;
  /** Size of what is seen, CSS pixels. */
  seen: number;
  round: boolean;
  filled: boolean;
  opacity?: number;
  cursor: string;
  zIndex: number;
  /** Out of sight, but there: a drag goes on. */
  hidden?: boolean;
  /** It belongs to the box around picked marks. */
  ofBox?: boolean;
  onPointerDown: (e: PointerEvent<HTMLDivElement>) => void;
  /** Those of a drag: not needed where it is followed elsewhere. */
  onPointerMove?: (e: PointerEvent) => void;
  onPointerUp?: (e: PointerEvent) => void;
  onPointerCancel?: (e: PointerEvent) => void;
  onKeyDown: (e: KeyboardEvent) => void;
}

/** A point on the page by which something is dragged: small to see, large to touch. */
export function Grip(props: GripProps) {
  const { id, name, left, top, seen, round, filled, opacity = 1, cursor, zIndex } = props;
  const { hidden = false, ofBox = false } = props;
  const { colors } = useTheme();
  return (
    <Area
      {...gripManners(id, name)}
      data-box={ofBox || undefined}
      onPointerDown={props.onPointerDown}
      onPointerMove={props.onPointerMove}
      onPointerUp={props.onPointerUp}
      onPointerCancel={props.onPointerCancel}
      onKeyDown={props.onKeyDown}
      style={{
        ...spotStyle(left, top),
        borderRadius: TOUCH / 2,
        cursor,
        touchAction: 'none',
        zIndex,
        opacity: hidden ? 0 : 1,
      }}
    >
      <Area
        style={{
          width: seen,
          height: seen,
          boxSizing: 'border-box',
          borderRadius: round ? seen / 2 : 2,
          border: `2px solid ${colors.primary}`,
          background: filled ? colors.primary : colors.surface,
          opacity,
          boxShadow: '0 0 0 1px rgba(255,255,255,0.9)',
        }}
      />
    </Area>
  );
}

import type { ReactNode } from 'react';
import { Area } from '@/ui';

/** Beside the way to the writing window, which stands in the corner itself, CSS pixels from the window's side. */
export const BESIDE_OPENER = 64;

/** At the foot of the window, away from the writing hand; a pen writes through it. */
export function FootCorner(props: {
  hand: 'right' | 'left';
  /** From the window's side, CSS pixels. */
  inset: number;
  children: ReactNode;
}) {
  const { hand, inset, children } = props;
  return (
    <Area
      data-control
      data-chip
      style={{
        position: 'absolute',
        bottom: 10,
        [hand === 'right' ? 'left' : 'right']: inset,
        zIndex: 5,
      }}
    >
      {children}
    </Area>
  );
}

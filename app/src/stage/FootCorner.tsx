import type { ReactNode } from 'react';
import { Area } from '@/ui';

/** Beside the way to the writing window, which stands in the corner itself, CSS pixels from the window's side. */
export const BESIDE_OPENER = 64;

/** What a strip over the whole foot of the window takes of it: corners stand above that. */
const TAKEN = '--foot-taken';
const GAP = 6;

/** For the element that takes the foot of the window, as long as it is there: a React ref. */
export function takesFoot(element: HTMLElement | null): () => void {
  const { style } = document.documentElement;
  style.setProperty(TAKEN, `${(element?.offsetHeight ?? 0) + GAP}px`);
  return () => style.removeProperty(TAKEN);
}

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
        bottom: `calc(10px + var(${TAKEN}, 0px))`,
        [hand === 'right' ? 'left' : 'right']: inset,
        zIndex: 5,
      }}
    >
      {children}
    </Area>
  );
}

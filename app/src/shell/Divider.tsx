import { type PointerEvent as ReactPointerEvent, useRef } from 'react';
import { useStore } from 'zustand';
import { useTheme } from 'react-native-paper';
import { Area } from '@/ui';
import { LEAST_SHARE, type Panes } from './panes';

const WIDTH = 12;
/** What an arrow key moves it by, as a share of the width. */
const STEP = 0.05;

/** Between two panes; dragged, or moved with the arrow keys. `mirrored`: the first pane is on the right. */
export function Divider({ panes, mirrored }: { panes: Panes; mirrored: boolean }) {
  const share = useStore(panes.store, (s) => s.share);
  const { colors } = useTheme();
  const held = useRef(false);
  const drag = (e: ReactPointerEvent<HTMLDivElement>): void => {
    const around = e.currentTarget.parentElement?.getBoundingClientRect();
    if (!held.current || !around) return;
    const from = mirrored ? around.right - e.clientX : e.clientX - around.left;
    panes.divide(from / around.width);
  };
  const letGo = (): void => {
    held.current = false;
  };
  return (
    <Area
      role="separator"
      tabIndex={0}
      aria-label="Divider between the two places"
      aria-orientation="vertical"
      aria-valuemin={100 * LEAST_SHARE}
      aria-valuemax={100 * (1 - LEAST_SHARE)}
      aria-valuenow={Math.round(100 * share)}
      onKeyDown={(e) => {
        const way = { ArrowLeft: -STEP, ArrowRight: STEP }[e.key];
        if (way === undefined) return;
        e.preventDefault();
        e.stopPropagation();
        panes.divide(share + (mirrored ? -way : way));
      }}
      onPointerDown={(e) => {
        held.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={drag}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      style={{
        width: WIDTH,
        flexShrink: 0,
        cursor: 'ew-resize',
        touchAction: 'none',
        background: colors.surfaceVariant,
        borderLeft: `1px solid ${colors.outlineVariant}`,
        borderRight: `1px solid ${colors.outlineVariant}`,
        boxSizing: 'border-box',
        display: 'flex',
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      <Area
        aria-hidden
        style={{ width: 2, height: 36, borderRadius: 1, background: colors.outline }}
      />
    </Area>
  );
}

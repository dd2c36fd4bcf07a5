import {
  type PointerEvent as ReactPointerEvent,
  type KeyboardEvent as ReactKeyboardEvent,
  useRef,
  useState,
} from 'react';
import { StyleSheet } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePageNames } from '@/session';
import { PageThumb } from '@/shell';
import { useSight, useStage } from '@/stage';
import { Area } from '@/ui';
import { Ticks } from './Ticks';

const WIDTH = 28;
/** The thumb is no shorter, CSS pixels: a pen must come down on it. */
const THUMB = 24;

/** The page under the finger is shown no larger, CSS pixels. */
const PREVIEW = { width: 150, tallest: 190 } as const;

/** The strip along the page stack: what lies where, and where the reader is; dragging it scrubs through the pages. */
export function ForeEdge() {
  const { controller, takeContact } = useStage();
  const { current, first, last, count } = useSight();
  const { colors } = useTheme();
  const strip = useRef<HTMLDivElement>(null);
  const thumb = useRef<HTMLDivElement>(null);
  const held = useRef(false);
  const nameOf = usePageNames();
  /** Where the finger is while it scrubs: height in the strip, CSS pixels, and the side on which there is room. */
  const [finger, setFinger] = useState<{ y: number; side: 'left' | 'right' } | null>(null);

  const scrub = (e: ReactPointerEvent<HTMLDivElement>) => {
    const r = strip.current?.getBoundingClientRect();
    if (!r) return;
    setFinger({
      y: Math.min(r.height - PREVIEW.tallest / 2, Math.max(PREVIEW.tallest / 2, e.clientY - r.top)),
      side: r.left < window.innerWidth / 2 ? 'left' : 'right',
    });
    controller.goToShare(Math.min(1, Math.max(0, (e.clientY - r.top) / r.height)));
  };
  const onKeyDown = (e: ReactKeyboardEvent) => {
    const to = {
      ArrowUp: current - 1,
      ArrowDown: current + 1,
      Home: 0,
      End: count - 1,
      PageUp: current - 10,
      PageDown: current + 10,
    }[e.key];
    if (to === undefined) return;
    e.preventDefault();
    e.stopPropagation();
    controller.goToPage(to);
  };
  const letGo = (): void => {
    held.current = false;
    setFinger(null);
  };
  const share = (page: number): string => `${(100 * page) / count}%`;

  return (
    <Area
      ref={strip}
      role="slider"
      tabIndex={0}
      aria-label="Fore-edge: place in the document"
      aria-orientation="vertical"
      aria-valuemin={1}
      aria-valuemax={count}
      aria-valuenow={current + 1}
      aria-valuetext={`Page ${nameOf(current)} of ${count}`}
      onKeyDown={onKeyDown}
      onPointerDown={(e) => {
        const isOnThumb = thumb.current?.contains(e.target as Node) ?? false;
        // A pen that comes down here is on its way onto the page.
        if (e.pointerType === 'pen' && !isOnThumb) return takeContact(e.nativeEvent);
        held.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
        scrub(e);
      }}
      onPointerMove={(e) => {
        if (held.current) scrub(e);
      }}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      style={{
        width: WIDTH,
        position: 'relative',
        touchAction: 'none',
        cursor: 'ns-resize',
        background: colors.surfaceVariant,
        borderLeft: `1px solid ${colors.outlineVariant}`,
        borderRight: `1px solid ${colors.outlineVariant}`,
        boxSizing: 'border-box',
      }}
    >
      <Area
        ref={thumb}
        data-thumb
        style={{
          position: 'absolute',
          left: 0,
          right: 0,
          top: `min(${share(first)}, 100% - ${THUMB}px)`,
          height: share(last - first + 1),
          minHeight: THUMB,
          background: colors.secondaryContainer,
          borderTop: `1px solid ${colors.outline}`,
          borderBottom: `1px solid ${colors.outline}`,
          boxSizing: 'border-box',
        }}
      />
      <Ticks />
      {finger && (
        <Area
          aria-hidden
          data-testid="scrubbed-page"
          style={{
            position: 'absolute',
            [finger.side]: WIDTH + 10,
            top: finger.y - PREVIEW.tallest / 2,
            zIndex: 8,
            padding: 8,
            background: colors.surface,
            border: `1px solid ${colors.outline}`,
            borderRadius: 6,
            pointerEvents: 'none',
          }}
        >
          <PageThumb key={current} index={current} {...PREVIEW} />
          <Text variant="labelLarge" style={styles.name}>
            {nameOf(current)}
          </Text>
        </Area>
      )}
    </Area>
  );
}

const styles = StyleSheet.create({ name: { textAlign: 'center', paddingTop: 4 } });

import { MOST_STROKES } from '@marginalis/core/document';
import { isTouched, REMARK_WIDTH, writtenIn } from '@marginalis/core/derived';
import type { InkMark } from '@marginalis/core/kinds';
import {
  FIRST_ROLL,
  type Instrument,
  type WritingInstrument,
  writes,
} from '@marginalis/core/marks';
import { type ReactNode, useEffect, useMemo, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { useSession, useSettings } from '@/session';
import { DrawingSvg } from '@/stage';
import { Action, Area, G, IconAction, Path, Svg } from '@/ui';
import { PadWriter, RUBS } from './PadWriter';
import { PAPER } from './paper';

/** So high the sheet is at least, and so much of it is always free beneath what is written, points. */
const LEAST = 110;
const FREE = 56;
/** Between the lines to write on, points. */
const RULED = 28;
const RULE = '#c9d3e2';
/** Of PointerEvent.buttons: the barrel button, and the eraser end. */
const RUBBING = 2 | 32;

/** The pen that writes notes: the first pen of the roll. */
function padPen(roll: readonly Instrument[]): WritingInstrument {
  const isPen = (one: Instrument): one is WritingInstrument => writes(one) && one.kind === 'pen';
  return roll.find(isPen) ?? (FIRST_ROLL.find(isPen) as WritingInstrument);
}

/** A sheet to write a remark on with the pen; it grows as it is filled. */
export function InkPad(props: {
  label: string;
  ink: readonly InkMark[];
  onInk: (ink: readonly InkMark[]) => void;
  /** What else can be done with it. */
  children?: ReactNode;
}) {
  const { label, ink, onInk, children } = props;
  const { colors } = useTheme();
  const { notices } = useSession();
  const roll = useSettings((s) => s.roll);
  const author = useSettings((s) => s.author);
  const penSeen = useSettings((s) => s.penSeen);
  const pen = useMemo(() => padPen(roll), [roll]);
  const sheet = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const written = writtenIn({ ink });
  const height = Math.max(LEAST, (written?.height ?? 0) + FREE);
  const latest = useRef({ ink, onInk, author, penSeen });
  useEffect(() => {
    latest.current = { ink, onInk, author, penSeen };
  });

  useEffect(() => {
    const element = sheet.current;
    const live = canvas.current;
    if (!element || !live) return undefined;
    const fit = (): void => {
      live.width = Math.round(live.clientWidth * devicePixelRatio);
      live.height = Math.round(live.clientHeight * devicePixelRatio);
    };
    fit();
    const resized = new ResizeObserver(fit);
    resized.observe(live);
    const writer = new PadWriter(live, pen, REMARK_WIDTH);
    const rub = (e: PointerEvent): void => {
      const { ink: all, onInk: keep } = latest.current;
      const at = writer.placeOf(e);
      const left = all.filter((stroke) => !isTouched(stroke, [at], RUBS));
      if (left.length < all.length) keep(left);
    };
    const onDown = (e: PointerEvent): void => {
      // Where a pen has been, a hand only rests on the sheet.
      if (writer.isWriting || (e.pointerType === 'touch' && latest.current.penSeen)) return;
      e.preventDefault();
      element.setPointerCapture(e.pointerId);
      if (e.pointerType === 'pen' && (e.buttons & RUBBING) !== 0) rub(e);
      else if (e.button !== 0) return;
      else if (latest.current.ink.length < MOST_STROKES) writer.start(e);
      else notices.tell('The sheet is full: answer the note to write on another.');
    };
    const onMove = (e: PointerEvent): void => {
      if (e.pointerType === 'pen' && (e.buttons & RUBBING) !== 0) rub(e);
      else writer.move(e);
    };
    const onUp = (e: PointerEvent): void => {
      const { ink: all, onInk: keep, author: by } = latest.current;
      const stroke = writer.end(e, { author: by, madeAt: Date.now() });
      if (stroke) keep([...all, stroke]);
    };
    const still = (e: Event): void => e.preventDefault();
    const listening = new AbortController();
    const { signal } = listening;
    element.addEventListener('pointerdown', onDown, { signal });
    element.addEventListener('pointermove', onMove, { signal });
    element.addEventListener('pointerup', onUp, { signal });
    element.addEventListener('pointercancel', onUp, { signal });
    element.addEventListener('touchstart', still, { passive: false, signal });
    element.addEventListener('contextmenu', still, { signal });
    return () => {
      resized.disconnect();
      listening.abort();
    };
  }, [pen, notices]);

  return (
    <View style={styles.all}>
      <Area
        ref={sheet}
        role="img"
        aria-label={label}
        data-pad
        style={{
          position: 'relative',
          aspectRatio: `${REMARK_WIDTH} / ${height}`,
          background: PAPER,
          border: `1px solid ${colors.outline}`,
          borderRadius: 4,
          touchAction: 'none',
          cursor: 'crosshair',
        }}
      >
        <Svg width="100%" viewBox={`0 0 ${REMARK_WIDTH} ${height}`} aria-hidden>
          {Array.from({ length: Math.floor(height / RULED) }, (_, k) => (
            <Path
              key={k}
              d={`M8 ${RULED * (k + 1)}H${REMARK_WIDTH - 8}`}
              stroke={RULE}
              strokeWidth={0.6}
            />
          ))}
          <G transform="scale(1 -1)">{written && <DrawingSvg drawing={written.drawing} />}</G>
        </Svg>
        <canvas
          ref={canvas}
          style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
        />
      </Area>
      <View style={styles.row}>
        <IconAction
          icon="undo"
          size={20}
          label="Take back the last stroke"
          disabled={ink.length === 0}
          onPress={() => onInk(ink.slice(0, -1))}
        />
        <Action
          compact
          accessibilityLabel="Clear the sheet"
          disabled={ink.length === 0}
          onPress={() => onInk([])}
        >
          Clear
        </Action>
        {children}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 2 },
  row: { flexDirection: 'row', alignItems: 'center' },
});

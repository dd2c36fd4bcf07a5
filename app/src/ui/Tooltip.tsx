import {
  type FocusEvent,
  type PointerEvent,
  type ReactNode,
  useEffect,
  useRef,
  useState,
} from 'react';
import { createPortal } from 'react-dom';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { Area } from './dom';

/** A pointer rests so long before the hint comes; a finger holds so long, ms. */
const RESTS = 500;
const HOLDS = 450;
/** Between what is explained and the hint, and between it and the window's edge, CSS pixels. */
const GAP = 6;
const EDGE = 6;
const WIDEST = 260;

interface Where {
  readonly left?: number;
  readonly right?: number;
  readonly top?: number;
  readonly bottom?: number;
}

/** Beneath what is explained, or above it in the lower half of the window; towards the window's middle. */
function placeBy({ left, right, top, bottom }: DOMRect): Where {
  const { innerWidth: w, innerHeight: h } = window;
  const along =
    (left + right) / 2 < w / 2
      ? { left: Math.max(EDGE, left) }
      : { right: Math.max(EDGE, w - right) };
  return bottom < h / 2 ? { ...along, top: bottom + GAP } : { ...along, bottom: h - top + GAP };
}

/** What a sign stands for, in words, with its keys: on hovering, holding, or focusing it by keyboard. */
export function Tooltip(props: { text: string; keys?: string; children: ReactNode }) {
  const { text, keys, children } = props;
  const holder = useRef<HTMLDivElement>(null);
  const waiting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const held = useRef(false);
  const [where, setWhere] = useState<Where | null>(null);
  useEffect(() => () => clearTimeout(waiting.current), []);

  const show = (): void => {
    const shown = holder.current?.firstElementChild?.getBoundingClientRect();
    if (shown) setWhere(placeBy(shown));
  };
  const hide = (): void => {
    clearTimeout(waiting.current);
    setWhere(null);
  };
  const wait = (ms: number, then: () => void): void => {
    clearTimeout(waiting.current);
    waiting.current = setTimeout(then, ms);
  };
  return (
    <Area
      ref={holder}
      style={{ display: 'contents' }}
      onPointerEnter={(e: PointerEvent) => {
        if (e.pointerType !== 'touch' && e.buttons === 0) wait(RESTS, show);
      }}
      onPointerLeave={hide}
      onPointerDown={(e: PointerEvent) => {
        hide();
        held.current = false;
        if (e.pointerType === 'touch')
          wait(HOLDS, () => {
            held.current = true;
            show();
          });
      }}
      onPointerUp={hide}
      onPointerCancel={hide}
      // What was held to be explained is not pressed.
      onClickCapture={(e) => {
        if (!held.current) return;
        held.current = false;
        e.stopPropagation();
        e.preventDefault();
      }}
      onFocus={(e: FocusEvent) => {
        if (e.target.matches(':focus-visible')) show();
      }}
      onBlur={hide}
      onKeyDown={(e) => {
        if (e.key === 'Escape') hide();
      }}
    >
      {children}
      {where && createPortal(<Words text={text} keys={keys} where={where} />, document.body)}
    </Area>
  );
}

function Words({ text, keys, where }: { text: string; keys?: string; where: Where }) {
  const { colors } = useTheme();
  return (
    // The sign has the words as its label already.
    <Area
      aria-hidden
      data-tooltip
      style={{
        position: 'fixed',
        zIndex: 100,
        maxWidth: WIDEST,
        pointerEvents: 'none',
        ...where,
      }}
    >
      <View style={[styles.words, { backgroundColor: colors.inverseSurface }]}>
        <Text variant="bodySmall" style={{ color: colors.inverseOnSurface }}>
          {text}
        </Text>
        {keys && (
          <Text variant="bodySmall" style={[styles.keys, { color: colors.inversePrimary }]}>
            {keys}
          </Text>
        )}
      </View>
    </Area>
  );
}

const styles = StyleSheet.create({
  words: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: 10,
    paddingHorizontal: 10,
    paddingVertical: 6,
    borderRadius: 4,
  },
  keys: { fontWeight: '700' },
});

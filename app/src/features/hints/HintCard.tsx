import { type RefObject, useEffect, useRef, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { type Hint, useSession } from '@/session';
import { useStage } from '@/stage';
import { Action, Area, IconAction, WIDE_FROM } from '@/ui';
import { useMakesWay } from './useMakesWay';

/** It has been read after so long, ms; all of it can be shown again from the settings. A question waits longer. */
const READ_AFTER = 20_000;
const ANSWERED_AFTER = 60_000;

/** From the head of the window, and from its foot, where a corner has its own, CSS pixels. */
const TOP = 8;
const BOTTOM = 64;

/** What is being told, at the head of the pages, where no hand rests. A pen writes through it, and it makes way. */
export function HintCard() {
  const { hints, hand } = useSession();
  const hint = useStore(hints.store, (s) => s.told[0]);
  // What is to be touched next is said in the same place; the hint waits.
  const isAsking = useStore(hand.store, (s) => s.awaited !== null);
  const card = useRef<HTMLDivElement>(null);
  const atFoot = useMakesWay(card);
  return hint && !isAsking ? (
    <Told key={hint.id} {...{ hint, card, atFoot }} onRead={hints.close} />
  ) : null;
}

function Told(props: {
  hint: Hint;
  card: RefObject<HTMLDivElement | null>;
  atFoot: boolean;
  onRead: () => void;
}) {
  const { hint, card, atFoot, onRead } = props;
  const { colors } = useTheme();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const { controller } = useStage();
  /** When it came: a dot made just then was not meant for it. */
  const [since] = useState(() => performance.now());
  useEffect(() => {
    controller.cover(atFoot ? 0 : (card.current?.offsetHeight ?? 0) + TOP);
    return () => controller.cover(0);
  }, [controller, card, hint, atFoot]);
  useEffect(() => {
    const read = setTimeout(onRead, hint.ways ? ANSWERED_AFTER : READ_AFTER);
    return () => clearTimeout(read);
  }, [hint, onRead]);
  return (
    <Area
      ref={card}
      data-control
      data-chip={since}
      style={{
        position: 'absolute',
        ...(atFoot ? { bottom: BOTTOM } : { top: TOP }),
        left: wide ? '50%' : 8,
        ...(wide ? { width: 520, marginLeft: -260 } : { right: 8 }),
        zIndex: 5,
      }}
    >
      <View
        role="status"
        style={[
          styles.card,
          { backgroundColor: colors.inverseSurface, borderColor: colors.outlineVariant },
        ]}
      >
        <View style={styles.said}>
          <Text style={[styles.text, { color: colors.inverseOnSurface }]}>{hint.text}</Text>
          <IconAction
            icon="close"
            size={20}
            colour={colors.inverseOnSurface}
            label="Close the hint"
            onPress={onRead}
          />
        </View>
        {hint.ways && (
          <View style={styles.ways}>
            {hint.ways.map(({ label, run }) => (
              <Action
                key={label}
                textColor={colors.inversePrimary}
                onPress={() => {
                  run();
                  onRead();
                }}
              >
                {label}
              </Action>
            ))}
          </View>
        )}
      </View>
    </Area>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: 6 },
  said: { flexDirection: 'row', alignItems: 'center', paddingLeft: 16 },
  text: { flex: 1, paddingVertical: 8 },
  ways: { flexDirection: 'row', flexWrap: 'wrap', paddingHorizontal: 4, paddingBottom: 4 },
});

import { useEffect, useRef } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { type Hint, useSession } from '@/session';
import { useStage } from '@/stage';
import { Action, Area, IconAction, WIDE_FROM } from '@/ui';

/** It has been read after so long, ms; all of it can be shown again from the settings. */
const READ_AFTER = 20_000;

/** From the head of the window, CSS pixels. */
const TOP = 8;

/** What is being told, at the head of the pages, where no hand rests. A pen writes through it. */
export function HintCard() {
  const { hints } = useSession();
  const hint = useStore(hints.store, (s) => s.told[0]);
  return hint ? <Told key={hint.id} hint={hint} onRead={hints.close} /> : null;
}

function Told({ hint, onRead }: { hint: Hint; onRead: () => void }) {
  const { colors } = useTheme();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const { controller } = useStage();
  const card = useRef<HTMLDivElement>(null);
  useEffect(() => {
    controller.cover((card.current?.offsetHeight ?? 0) + TOP);
    return () => controller.cover(0);
  }, [controller, hint]);
  useEffect(() => {
    const read = setTimeout(onRead, READ_AFTER);
    return () => clearTimeout(read);
  }, [hint, onRead]);
  return (
    <Area
      ref={card}
      data-control
      data-chip
      style={{
        position: 'absolute',
        top: TOP,
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

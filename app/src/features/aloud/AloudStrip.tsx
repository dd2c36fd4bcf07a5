import { useEffect } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSession, useSettings } from '@/session';
import { useReader } from '@/shell';
import { takesFoot } from '@/stage';
import { Action, Area, IconAction, WIDE_FROM } from '@/ui';
import { VOICES } from './ids';

const PACE_STEP = 0.1;
const WORDS_STEP = 20;

/** What is needed while something is read: at the foot of the pages, where the thumb is. */
export function AloudStrip() {
  const { aloud } = useSession();
  const { shell } = useReader();
  const { way, going, voiceless } = useStore(aloud.store);
  const { pace, wordsPerMinute } = useSettings((s) => s.reading);
  const { colors } = useTheme();
  const wide = useWindowDimensions().width >= WIDE_FROM;
  // With the document left, nobody listens.
  useEffect(() => aloud.stop, [aloud]);
  const place = { position: 'absolute', bottom: 10, zIndex: 6 } as const;
  const style = { ...place, ...(wide ? styles.wide : styles.narrow) };
  const foot = wide ? undefined : takesFoot;
  if (voiceless)
    return (
      <Area data-control ref={foot} style={style}>
        <View
          role="alert"
          style={[styles.card, { backgroundColor: colors.surface, borderColor: colors.primary }]}
        >
          <Text>This browser has no voice that could read aloud.</Text>
          <View style={styles.ways}>
            <Action onPress={aloud.stop}>Close</Action>
            <Action
              mode="outlined"
              onPress={() => void aloud.start('pacer', voiceless.from, voiceless.until)}
            >
              Pacer instead
            </Action>
          </View>
        </View>
      </Area>
    );
  if (!way) return null;
  const faster = (by: 1 | -1): void => {
    const { setReading } = useSettings.getState();
    if (way === 'pacer')
      setReading({ wordsPerMinute: clamp(wordsPerMinute + by * WORDS_STEP, 60, 900) });
    else {
      setReading({ pace: clamp(Math.round(10 * (pace + by * PACE_STEP)) / 10, 0.5, 2.5) });
      aloud.again();
    }
  };
  return (
    <Area data-control ref={foot} style={style}>
      <View
        role="group"
        aria-label={way === 'voice' ? 'Reading aloud' : 'Pacer'}
        style={[styles.strip, { backgroundColor: colors.surface, borderColor: colors.primary }]}
      >
        <IconAction icon="before" label="Sentence before" onPress={() => void aloud.step(-1)} />
        <IconAction
          icon={going ? 'pause' : 'play'}
          label={going ? 'Hold' : 'Go on'}
          onPress={aloud.toggle}
        />
        <IconAction icon="after" label="Next sentence" onPress={() => void aloud.step(1)} />
        <IconAction icon="minus" label="Slower" onPress={() => faster(-1)} />
        <Text variant="labelLarge" role="status" style={styles.pace}>
          {way === 'voice' ? `× ${pace.toFixed(1)}` : `${wordsPerMinute}/min`}
        </Text>
        <IconAction icon="plus" label="Faster" onPress={() => faster(1)} />
        {way === 'voice' && (
          <IconAction
            icon="voice"
            label="Voice and pace"
            onPress={() => shell.openDialog(VOICES)}
          />
        )}
        <IconAction icon="close" label="Stop reading" keys="Escape" onPress={aloud.stop} />
      </View>
    </Area>
  );
}

const clamp = (value: number, low: number, high: number): number =>
  Math.min(high, Math.max(low, value));

const styles = StyleSheet.create({
  wide: { left: '50%', width: 420, marginLeft: -210 },
  narrow: { left: 4, right: 4 },
  strip: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    borderWidth: 1,
    borderRadius: 6,
  },
  card: { borderWidth: 1, borderRadius: 6, padding: 12, gap: 4 },
  ways: { flexDirection: 'row', justifyContent: 'flex-end', gap: 8 },
  pace: { minWidth: 44, textAlign: 'center', fontVariant: ['tabular-nums'] },
});

import { inkName, type Instrument, writes } from '@marginalis/core/marks';
import { Pressable, StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { Tooltip, Icon, type IconName } from '@/ui';
import { InstrumentIcon } from './InstrumentIcon';

/** A place in the roll, CSS pixels. */
export const PLACE = { width: 44, height: 46 };

/** What an instrument is called aloud: its name, ink and width. */
export function instrumentLabel(i: Instrument): string {
  if (!('widthMm' in i) && i.kind !== 'text-box') return i.name;
  if (i.kind === 'eraser') return `${i.name}, ${i.widthMm} mm`;
  const inked = `${i.name}, ${inkName(i.colour)}`;
  if (i.kind === 'text-box') return `${inked}, ${i.size} pt`;
  // What is highlighted by the word is as high as the words.
  const isAsHigh = i.kind === 'word-marker' && i.manner === 'highlight';
  return isAsHigh ? inked : `${inked}, ${i.widthMm} mm`;
}

/** Type has no width: a stripe of its ink stands for it, millimetres. */
const TEXT_STRIPE = 1;

/** What of an instrument's ink is shown beneath it; null where it has none. */
const inkOf = (i: Instrument): { colour: string; widthMm: number; opacity: number } | null =>
  writes(i) || i.kind === 'word-marker'
    ? i
    : i.kind === 'text-box'
      ? { colour: i.colour, widthMm: TEXT_STRIPE, opacity: 1 }
      : i.kind === 'eraser' && i.only === 'ink'
        ? { ...i, opacity: 1 }
        : null;

/** One instrument of the roll. */
export function InstrumentButton(props: {
  instrument: Instrument;
  held: boolean;
  disabled: boolean;
  /** The key that takes it. */
  keys?: string;
  onPress: (id: string, held: boolean) => void;
}) {
  const { instrument, held, disabled, keys, onPress } = props;
  const ink = inkOf(instrument);
  const { colors } = useTheme();
  return (
    <Tooltip
      text={`${instrumentLabel(instrument)}${held ? '. Tap again to change it.' : ''}`}
      keys={keys}
    >
      <Pressable
        role="button"
        aria-pressed={held}
        accessibilityLabel={instrumentLabel(instrument)}
        accessibilityHint={held ? 'Press again to change it' : undefined}
        disabled={disabled}
        onPress={() => onPress(instrument.id, held)}
        style={[
          styles.place,
          held && { backgroundColor: colors.primaryContainer, borderColor: colors.primary },
          disabled && styles.idle,
        ]}
      >
        <InstrumentIcon
          instrument={instrument}
          color={held ? colors.onPrimaryContainer : colors.onSurface}
        />
        {/* Ink on paper, so that dark ink shows on a dark roll too. */}
        {ink && (
          <View style={[styles.paper, { borderColor: colors.outlineVariant }]}>
            <View
              style={{
                height: Math.max(2, Math.min(6, ink.widthMm * 2.2)),
                backgroundColor: ink.colour,
                opacity: ink.opacity,
              }}
            />
          </View>
        )}
      </Pressable>
    </Tooltip>
  );
}

/** Something else that stands in the roll's row. */
export function RollButton(props: {
  label: string;
  icon: IconName;
  able?: boolean;
  /** Whether what it switches is on. */
  on?: boolean;
  keys?: string;
  onPress: () => void;
}) {
  const { label, icon, able = true, on, keys, onPress } = props;
  const { colors } = useTheme();
  return (
    <Tooltip text={label} keys={keys}>
      <Pressable
        role="button"
        accessibilityLabel={label}
        aria-pressed={on}
        disabled={!able}
        aria-disabled={!able}
        onPress={onPress}
        style={[
          styles.place,
          on && { backgroundColor: colors.primaryContainer, borderColor: colors.primary },
          !able && styles.idle,
        ]}
      >
        <Icon name={icon} size={22} color={on ? colors.onPrimaryContainer : colors.onSurface} />
      </Pressable>
    </Tooltip>
  );
}

const styles = StyleSheet.create({
  place: {
    ...PLACE,
    alignItems: 'center',
    justifyContent: 'center',
    borderWidth: 1,
    borderColor: 'transparent',
    borderRadius: 4,
    gap: 3,
  },
  idle: { opacity: 0.38 },
  paper: {
    width: 26,
    height: 10,
    borderWidth: 1,
    borderRadius: 1,
    backgroundColor: '#ffffff',
    justifyContent: 'center',
  },
});

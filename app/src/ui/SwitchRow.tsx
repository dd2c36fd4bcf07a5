import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';

/** Something that is on or off, said in words; the whole row switches it. */
export function SwitchRow(props: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  const { label, on, onChange } = props;
  return (
    <Pressable
      role="switch"
      aria-checked={on}
      accessibilityLabel={label}
      onPress={() => onChange(!on)}
      style={styles.row}
    >
      <Text style={styles.label}>{label}</Text>
      <Sign on={on} />
    </Pressable>
  );
}

/** Only shows it: the row is what is pressed and what is read aloud, so that this is no control within a control. */
function Sign({ on }: { on: boolean }) {
  const { colors } = useTheme();
  return (
    <View
      aria-hidden
      style={[
        styles.track,
        {
          borderColor: on ? colors.primary : colors.outline,
          backgroundColor: on ? colors.primary : colors.surface,
          justifyContent: on ? 'flex-end' : 'flex-start',
        },
      ]}
    >
      <View style={[styles.knob, { backgroundColor: on ? colors.onPrimary : colors.outline }]} />
    </View>
  );
}

const KNOB = 14;
const styles = StyleSheet.create({
  row: { minHeight: 44, flexDirection: 'row', alignItems: 'center', gap: 12 },
  label: { flex: 1 },
  track: {
    width: 38,
    height: 22,
    borderRadius: 11,
    borderWidth: 2,
    paddingHorizontal: 2,
    flexDirection: 'row',
    alignItems: 'center',
  },
  knob: { width: KNOB, height: KNOB, borderRadius: KNOB / 2 },
});

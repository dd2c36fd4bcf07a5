import { Pressable, StyleSheet, View } from 'react-native';
import { Switch, Text } from 'react-native-paper';

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
      {/* Only shows it: the row is what is pressed and what is read aloud. */}
      <View aria-hidden style={styles.sign}>
        <Switch value={on} tabIndex={-1} />
      </View>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  row: { minHeight: 44, flexDirection: 'row', alignItems: 'center', gap: 12 },
  label: { flex: 1 },
  sign: { pointerEvents: 'none' },
});

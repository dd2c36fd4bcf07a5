import { Pressable, StyleSheet } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { Tooltip } from './Tooltip';

/** Something that is on or off, said in a word or two. */
export function ToggleChip(props: {
  label: string;
  hint?: string;
  on: boolean;
  onPress: () => void;
}) {
  const { label, hint, on, onPress } = props;
  const { colors } = useTheme();
  const chip = (
    <Pressable
      role="button"
      accessibilityLabel={label}
      aria-pressed={on}
      onPress={onPress}
      style={[
        styles.chip,
        { borderColor: on ? colors.primary : colors.outlineVariant },
        on && { backgroundColor: colors.primaryContainer },
      ]}
    >
      <Text style={{ color: on ? colors.onPrimaryContainer : colors.onSurface }}>{label}</Text>
    </Pressable>
  );
  return hint ? <Tooltip text={hint}>{chip}</Tooltip> : chip;
}

const styles = StyleSheet.create({
  chip: {
    minHeight: 44,
    paddingHorizontal: 10,
    borderWidth: 1,
    borderRadius: 4,
    justifyContent: 'center',
  },
});

import { Pressable, StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { Icon } from './icons';
import { Tooltip } from './Tooltip';

/** A box that is checked or not, as large as a finger needs. */
export function CheckBox(props: {
  label: string;
  /** What pressing it does now. */
  hint: string;
  on: boolean;
  disabled: boolean;
  onPress: () => void;
}) {
  const { label, hint, on, disabled, onPress } = props;
  const { colors } = useTheme();
  return (
    <Tooltip text={hint}>
      <Pressable
        role="checkbox"
        aria-checked={on}
        accessibilityLabel={label}
        disabled={disabled}
        onPress={onPress}
        style={styles.place}
      >
        <View
          style={[
            styles.box,
            { borderColor: colors.onSurfaceVariant },
            on && { backgroundColor: colors.primary, borderColor: colors.primary },
          ]}
        >
          {on && <Icon name="check" size={16} color={colors.onPrimary} />}
        </View>
      </Pressable>
    </Tooltip>
  );
}

const styles = StyleSheet.create({
  place: { width: 44, height: 44, alignItems: 'center', justifyContent: 'center' },
  box: {
    width: 22,
    height: 22,
    borderWidth: 2,
    borderRadius: 3,
    alignItems: 'center',
    justifyContent: 'center',
  },
});

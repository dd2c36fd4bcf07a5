import { Pressable, StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { Icon, Tooltip } from '@/ui';

/** Takes what a row stands for in hand, and lays it down. */
export function PickBox(props: {
  label: string;
  picked: boolean;
  disabled: boolean;
  onPress: () => void;
}) {
  const { label, picked, disabled, onPress } = props;
  const { colors } = useTheme();
  return (
    <Tooltip text={picked ? 'Deselect' : 'Pick'}>
      <Pressable
        role="checkbox"
        aria-checked={picked}
        accessibilityLabel={label}
        disabled={disabled}
        onPress={onPress}
        style={styles.place}
      >
        <View
          style={[
            styles.box,
            { borderColor: colors.onSurfaceVariant },
            picked && { backgroundColor: colors.primary, borderColor: colors.primary },
          ]}
        >
          {picked && <Icon name="check" size={16} color={colors.onPrimary} />}
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

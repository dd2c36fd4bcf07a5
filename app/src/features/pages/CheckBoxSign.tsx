import { StyleSheet, View } from 'react-native';
import { useTheme } from 'react-native-paper';
import { Icon } from '@/ui';

/** Whether a page is chosen, in its corner. */
export function CheckBoxSign({ on }: { on: boolean }) {
  const { colors } = useTheme();
  return (
    <View
      style={[
        styles.box,
        { borderColor: colors.onSurfaceVariant, backgroundColor: colors.surface },
        on && { borderColor: colors.primary, backgroundColor: colors.primary },
      ]}
    >
      {on && <Icon name="check" size={16} color={colors.onPrimary} />}
    </View>
  );
}

const styles = StyleSheet.create({
  box: {
    position: 'absolute',
    top: 2,
    left: 2,
    width: 22,
    height: 22,
    borderWidth: 2,
    borderRadius: 3,
    alignItems: 'center',
    justifyContent: 'center',
  },
});

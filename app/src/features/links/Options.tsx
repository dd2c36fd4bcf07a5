import type { LinkTarget } from '@marginalis/core/document';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';

/** One of several places to lead to. */
export function Options(props: {
  label: string;
  options: readonly { readonly to: LinkTarget; readonly says: string }[];
  chosen: LinkTarget | null;
  onChoose: (to: LinkTarget) => void;
}) {
  const { label, options, chosen, onChoose } = props;
  const { colors } = useTheme();
  const isChosen = (to: LinkTarget): boolean => JSON.stringify(to) === JSON.stringify(chosen);
  return (
    <View role="radiogroup" aria-label={label}>
      {options.map(({ to, says }) => (
        <Pressable
          key={JSON.stringify(to)}
          role="radio"
          aria-checked={isChosen(to)}
          accessibilityLabel={says}
          onPress={() => onChoose(to)}
          style={[styles.option, isChosen(to) && { backgroundColor: colors.primaryContainer }]}
        >
          <View
            style={[styles.sign, { borderColor: isChosen(to) ? colors.primary : colors.outline }]}
          >
            {isChosen(to) && <View style={[styles.dot, { backgroundColor: colors.primary }]} />}
          </View>
          <Text numberOfLines={2} style={styles.says}>
            {says}
          </Text>
        </Pressable>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  option: { flexDirection: 'row', alignItems: 'center', minHeight: 44, borderRadius: 4, gap: 10 },
  sign: {
    ...{ width: 20, height: 20, borderRadius: 10, borderWidth: 2 },
    ...{ alignItems: 'center', justifyContent: 'center' },
  },
  dot: { width: 10, height: 10, borderRadius: 5 },
  says: { flex: 1 },
});

import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';

export interface Choice<T> {
  readonly value: T;
  /** Shown and read aloud. */
  readonly label: string;
  /** Shown before the label. */
  readonly sign?: ReactNode;
}

/** Usual numbers to choose from, and the present one among them even where it is none of the usual. */
export const withOwn = (usual: readonly number[], own: number): number[] =>
  [...new Set([...usual, own])].sort((a, b) => a - b);

/** One of several, all in sight. */
export function Choices<T extends string | number>(props: {
  label: string;
  choices: readonly Choice<T>[];
  value: T;
  onChange: (value: T) => void;
}) {
  const { label, choices, value, onChange } = props;
  const { colors } = useTheme();
  return (
    <View style={styles.group} role="radiogroup" aria-label={label}>
      <Text variant="labelLarge">{label}</Text>
      <View style={styles.row}>
        {choices.map((choice) => {
          const chosen = choice.value === value;
          return (
            <Pressable
              key={choice.value}
              role="radio"
              aria-checked={chosen}
              accessibilityLabel={choice.label}
              onPress={() => onChange(choice.value)}
              style={[
                styles.choice,
                { borderColor: chosen ? colors.primary : colors.outlineVariant },
                chosen && { backgroundColor: colors.primaryContainer },
              ]}
            >
              {choice.sign}
              <Text style={{ color: chosen ? colors.onPrimaryContainer : colors.onSurface }}>
                {choice.label}
              </Text>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  choice: {
    minWidth: 48,
    minHeight: 44,
    paddingHorizontal: 10,
    borderWidth: 1,
    borderRadius: 4,
    flexDirection: 'row',
    gap: 8,
    alignItems: 'center',
    justifyContent: 'center',
  },
});

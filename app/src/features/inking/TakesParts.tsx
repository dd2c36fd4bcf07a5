import type { Eraser } from '@marginalis/core/marks';
import { Pressable, StyleSheet } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSettings } from '@/session';

/** One tap from rubbing whole marks to rubbing what is passed over, and back: there while an eraser is in hand. */
export function TakesParts({ eraser }: { eraser: Eraser }) {
  const { change } = useSettings();
  const { colors } = useTheme();
  const isPart = eraser.takes === 'part';
  return (
    <Pressable
      role="switch"
      aria-checked={isPart}
      accessibilityLabel="Rub out parts of marks"
      onPress={() => change(eraser.id, { takes: isPart ? 'whole' : 'part' })}
      style={[
        styles.place,
        { backgroundColor: colors.surface, borderColor: colors.outline },
        isPart && { backgroundColor: colors.primaryContainer, borderColor: colors.primary },
      ]}
    >
      <Text
        variant="labelMedium"
        style={{ color: isPart ? colors.onPrimaryContainer : colors.onSurface }}
      >
        {isPart ? 'Parts' : 'Whole'}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  place: {
    // No wider than the roll: the page must not move because an eraser is taken.
    width: 44,
    height: 44,
    borderWidth: 1,
    borderRadius: 4,
    alignItems: 'center',
    justifyContent: 'center',
  },
});

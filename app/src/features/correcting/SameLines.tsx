import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePageNames } from '@/session';
import { Action, CheckBox } from '@/ui';
import type { SameLine } from './useSameLines';

/** Lines elsewhere that say the same, to be looked through: which of them are corrected, too. */
export function SameLines(props: {
  lines: readonly SameLine[];
  /** The keys of those that are. */
  chosen: ReadonlySet<string>;
  onChosen: (chosen: ReadonlySet<string>) => void;
}) {
  const { lines, chosen, onChosen } = props;
  const nameOf = usePageNames();
  const { colors } = useTheme();
  const isAll = chosen.size === lines.length;
  return (
    <View role="group" accessibilityLabel="The same line elsewhere" style={styles.all}>
      <View style={styles.head}>
        <Text variant="titleSmall" style={styles.words}>
          {lines.length === 1
            ? 'It stands at 1 more place.'
            : `It stands at ${lines.length} more places.`}
        </Text>
        <Action onPress={() => onChosen(new Set(isAll ? [] : lines.map(({ key }) => key)))}>
          {isAll ? 'None of them' : 'All of them'}
        </Action>
      </View>
      {lines.map(({ key, index, after }) => {
        const place = `Page ${nameOf(index)}`;
        const isOn = chosen.has(key);
        return (
          <View key={key} style={[styles.row, { borderColor: colors.outlineVariant }]}>
            <CheckBox
              label={`Correct it on ${place.toLowerCase()}${after && `, after ${after}`}`}
              hint={isOn ? 'Leave it' : 'Correct it'}
              on={isOn}
              disabled={false}
              onPress={() => {
                const next = new Set(chosen);
                if (!next.delete(key)) next.add(key);
                onChosen(next);
              }}
            />
            <View style={styles.words}>
              <Text variant="bodyMedium">{place}</Text>
              {after !== '' && (
                <Text
                  variant="bodySmall"
                  numberOfLines={1}
                  style={{ color: colors.onSurfaceVariant }}
                >
                  {`After: ${after}`}
                </Text>
              )}
            </View>
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 4 },
  head: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, gap: 4 },
  words: { flex: 1, minWidth: 0 },
});

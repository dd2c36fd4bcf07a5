import type { Quote } from '@marginalis/core/print';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { FONT } from '@/ui';

/** So many are shown by name; what is beyond them is counted. */
const MOST = 20;

export interface GroupedHit {
  readonly key: string;
  /** Shown before what it says, and read aloud before it. */
  readonly sign: string;
  readonly name: string;
  readonly quote: Quote;
  /** Leads there; nowhere without. */
  readonly go: (() => void) | null;
}

/** What of one's own says what is looked for, before what is printed; nothing where none does. */
export function HitGroup(props: { label: string; said: string; hits: readonly GroupedHit[] }) {
  const { label, said, hits } = props;
  const { colors } = useTheme();
  if (hits.length === 0) return null;
  return (
    <View role="group" aria-label={label} style={styles.all}>
      <Text variant="labelLarge">{said}</Text>
      {hits.slice(0, MOST).map(({ key, sign, name, quote, go }) => {
        const { before, exact, after } = quote;
        return (
          <Pressable
            key={key}
            role="button"
            accessibilityLabel={`${name}: ${before}${exact}${after}`}
            disabled={!go}
            onPress={() => go?.()}
            style={[styles.row, { borderColor: colors.outlineVariant }]}
          >
            <Text variant="labelLarge" style={{ color: colors.primary }}>
              {sign}
            </Text>
            <Text variant="bodyMedium" numberOfLines={2} style={styles.words}>
              {before}
              <Text style={styles.exact}>{exact}</Text>
              {after}
            </Text>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { paddingHorizontal: 6 },
  row: {
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    borderBottomWidth: 1,
  },
  words: { flex: 1, minWidth: 0 },
  exact: { fontFamily: FONT.bold },
});

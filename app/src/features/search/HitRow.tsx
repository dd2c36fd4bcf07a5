import { memo } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import type { SearchHit } from '@/session';
import { FONT, InkDrop } from '@/ui';

export const HIT_HEIGHT = 60;

/** Of what stands before a hit, so much is shown that the hit itself is in sight. */
const BEFORE = 24;
/** A quote that has so much after it breaks off there, perhaps within a word. */
const AFTER = 32;

/** One hit of the list: the words around it, and its page. */
export const HitRow = memo(function HitRow(props: {
  hit: SearchHit;
  /** What its page is called. */
  page: string;
  here: boolean;
  /** The colour of what marks it; null where nothing does. */
  marked: string | null;
  onPress: (hit: SearchHit) => void;
}) {
  const { hit, page, here, marked, onPress } = props;
  const { colors } = useTheme();
  const { before, exact, after } = hit.quote;
  const next = after.length < AFTER ? after : `${after.replace(/\s\S*$/u, '')}…`;
  const near = before.length > BEFORE ? `…${before.slice(-BEFORE).replace(/^\S*\s/u, '')}` : before;
  return (
    <Pressable
      role="button"
      accessibilityLabel={`Page ${page}${marked ? ', marked' : ''}: ${near}${exact}${next}`}
      aria-current={here}
      onPress={() => onPress(hit)}
      style={[
        styles.row,
        { borderColor: colors.outlineVariant },
        here && { backgroundColor: colors.secondaryContainer },
      ]}
    >
      <Text variant="bodyMedium" numberOfLines={2} style={styles.words}>
        {near}
        <Text style={styles.exact}>{exact}</Text>
        {next}
      </Text>
      {marked && <InkDrop colour={marked} />}
      <Text variant="bodySmall" style={[styles.page, { color: colors.onSurfaceVariant }]}>
        {page}
      </Text>
    </Pressable>
  );
});

const styles = StyleSheet.create({
  row: {
    height: HIT_HEIGHT,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    paddingHorizontal: 6,
    borderBottomWidth: 1,
  },
  words: { flex: 1, minWidth: 0 },
  exact: { fontFamily: FONT.bold },
  page: { fontVariant: ['tabular-nums'] },
});

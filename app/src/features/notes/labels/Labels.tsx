import type { Thread } from '@marginalis/core/document';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { InkDrop } from '@/ui';

/** The labels a note carries. */
export function Labels({ thread }: { thread: Thread }) {
  const tags = useSessionState((s) => s.document.tags);
  const { colors } = useTheme();
  const own = thread.tags.flatMap((id) => tags.get(id) ?? []);
  if (own.length === 0) return null;
  return (
    <View role="list" aria-label="Labels" style={styles.row}>
      {own.map(({ id, name, colour }) => (
        <View
          key={id}
          role="listitem"
          style={[styles.label, { borderColor: colors.outlineVariant }]}
        >
          <InkDrop colour={colour} />
          <Text variant="bodySmall" {...{ dir: 'auto' }}>
            {name}
          </Text>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 4 },
  label: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 4,
    paddingHorizontal: 6,
    paddingVertical: 2,
    borderWidth: 1,
    borderRadius: 3,
    maxWidth: '100%',
  },
});

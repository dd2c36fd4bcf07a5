import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { Sheet } from '@/ui';
import { inGroups } from './commands';
import { spellKey } from './keys';
import { useReader } from './ReaderContext';

/** Every key there is, as the features name them. */
export function KeysSheet({ onClose }: { onClose: () => void }) {
  const { colors } = useTheme();
  const commands = useReader()
    .commands()
    .filter(({ keys }) => keys && keys.length > 0);
  return (
    <Sheet title="Keys" open onClose={onClose}>
      {/* So that the keyboard scrolls it. */}
      <View tabIndex={0} aria-label="All keys" role="group">
        {inGroups(commands).map(([group, all]) => (
          <View key={group}>
            <Text variant="labelLarge" style={[styles.group, { color: colors.onSurfaceVariant }]}>
              {group}
            </Text>
            {all.map(({ id, title, keys = [], spelled }) => (
              <View key={id} style={[styles.row, { borderColor: colors.outlineVariant }]}>
                <Text style={styles.keys}>{spelled ?? keys.map(spellKey).join(', ')}</Text>
                <Text style={styles.what}>{title}</Text>
              </View>
            ))}
          </View>
        ))}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  group: { paddingTop: 12 },
  row: {
    flexDirection: 'row',
    gap: 12,
    paddingVertical: 6,
    borderBottomWidth: StyleSheet.hairlineWidth,
  },
  keys: { width: 160, fontWeight: '700' },
  what: { flex: 1 },
});

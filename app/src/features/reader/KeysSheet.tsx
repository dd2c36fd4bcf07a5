import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { Sheet } from '@/ui';

const KEYS: readonly (readonly [string, string])[] = [
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z, Ctrl Y', 'Redo'],
  ['1 … 9', 'Take an instrument'],
  ['Enter', 'Take the figure that is offered'],
  ['Escape', 'Refuse it; lay down what is picked; close a sheet'],
  ['Ctrl A', 'Pick all marks of the page'],
  ['Arrows, with Shift farther', 'Move what is picked'],
  ['Delete', 'Remove what is picked'],
  ['Ctrl C, Ctrl X, Ctrl V', 'Copy, cut, paste marks'],
  ['Ctrl D', 'Duplicate what is picked'],
  ['Ctrl G, Ctrl Shift G', 'Group, ungroup'],
  ['L', 'Open the list of marks'],
  ['Ctrl +, Ctrl −', 'Zoom in, zoom out'],
  ['Ctrl 0', 'Fit width'],
  ['Ctrl 9', 'Fit page'],
  ['Page down, page up', 'Next page, page before'],
  ['Home, end', 'First page, last page'],
  ['Arrows, nothing picked', 'Move the paper'],
  ['Space and drag', 'Move the paper with the mouse'],
  ['?', 'Show this list'],
];

export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { colors } = useTheme();
  return (
    <Sheet title="Keys" open={open} onClose={onClose}>
      {/* So that the keyboard scrolls it. */}
      <View tabIndex={0} aria-label="All keys" role="group">
        {KEYS.map(([keys, what]) => (
          <View key={keys} style={[styles.row, { borderColor: colors.outlineVariant }]}>
            <Text style={styles.keys}>{keys}</Text>
            <Text style={styles.what}>{what}</Text>
          </View>
        ))}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    gap: 12,
    paddingVertical: 6,
    borderBottomWidth: StyleSheet.hairlineWidth,
  },
  keys: { width: 160, fontWeight: '700' },
  what: { flex: 1 },
});

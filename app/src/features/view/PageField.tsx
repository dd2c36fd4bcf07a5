import { pageNamed } from '@marginalis/core/guide';
import { useMemo, useState } from 'react';
import { StyleSheet, TextInput, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSession } from '@/session';
import { useSight, useStage } from '@/stage';

/** The name of the page in sight, and its number where that is another; a name or number typed goes there. */
export function PageField() {
  const { controller } = useStage();
  const { current, count } = useSight();
  const { colors } = useTheme();
  const [entry, setEntry] = useState<{ text: string; at: number } | null>(null);
  // What was typed is forgotten as soon as another page is in sight.
  const typed = entry?.at === current ? entry.text : null;
  const { guide } = useSession();
  const names = useStore(guide.store, (s) => s.names);
  const areNumbers = useMemo(() => names.every((one) => /^\d+$/.test(one)), [names]);
  const name = guide.nameOf(current);
  const isNumber = name === String(current + 1);
  const width = 20 + 10 * Math.max(String(count).length, Math.min(name.length, 6));

  const go = () => {
    const page = typed === null ? null : pageNamed(names, typed);
    if (page !== null) controller.goToPage(page);
    setEntry(null);
  };
  return (
    <View style={styles.row}>
      <View>
        <TextInput
          accessibilityLabel={`Page, 1 to ${count}`}
          value={typed ?? name}
          onChangeText={(text) => setEntry({ text, at: current })}
          onSubmitEditing={go}
          onBlur={go}
          selectTextOnFocus
          inputMode={areNumbers ? 'numeric' : 'text'}
          style={[styles.field, { color: colors.onSurface, width }]}
        />
        <View style={[styles.line, { backgroundColor: colors.outline }]} />
      </View>
      <Text style={{ color: colors.onSurfaceVariant }}>
        {isNumber ? `/ ${count}` : `${current + 1} / ${count}`}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 5, paddingHorizontal: 4 },
  field: {
    height: 44,
    borderWidth: 0,
    textAlign: 'center',
    fontSize: 15,
    fontFamily: 'AtkinsonHyperlegibleNext',
    borderRadius: 0,
    paddingHorizontal: 2,
  },
  // Close under the number, while the field keeps a full target's height.
  line: { position: 'absolute', left: 4, right: 4, bottom: 10, height: 1, pointerEvents: 'none' },
});

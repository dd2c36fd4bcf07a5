import { useState } from 'react';
import { StyleSheet, TextInput, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSight, useStage } from '@/stage';

/** The number of the page in sight; another one typed goes there. */
export function PageField() {
  const { controller } = useStage();
  const { current, count } = useSight();
  const { colors } = useTheme();
  const [entry, setEntry] = useState<{ text: string; at: number } | null>(null);
  // What was typed is forgotten as soon as another page is in sight.
  const typed = entry?.at === current ? entry.text : null;

  const go = () => {
    const page = Number(typed);
    if (typed !== null && Number.isInteger(page) && page >= 1 && page <= count)
      controller.goToPage(page - 1);
    setEntry(null);
  };
  return (
    <View style={styles.row}>
      <View>
        <TextInput
          accessibilityLabel={`Page, 1 to ${count}`}
          value={typed ?? String(current + 1)}
          onChangeText={(text) => setEntry({ text, at: current })}
          onSubmitEditing={go}
          onBlur={go}
          selectTextOnFocus
          inputMode="numeric"
          style={[styles.field, { color: colors.onSurface, width: 20 + 10 * String(count).length }]}
        />
        <View style={[styles.line, { backgroundColor: colors.outline }]} />
      </View>
      <Text style={{ color: colors.onSurfaceVariant }}>/ {count}</Text>
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

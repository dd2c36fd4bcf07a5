import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';
import { offeredDemos } from '@/session';
import { Action } from '@/ui';

/** Sample documents that are not laid out from the start, such as the long almanac. */
export function DemoOffer({ onAdd }: { onAdd: (file: string, title: string) => void }) {
  const { data } = useSWR('demo', offeredDemos, { revalidateOnFocus: false });
  const { colors } = useTheme();
  const offered = (data ?? []).filter((d) => !d.onDesk);
  if (offered.length === 0) return null;
  return (
    <View style={styles.offer}>
      <Text style={{ color: colors.onSurfaceVariant }}>More samples:</Text>
      {offered.map(({ file, title }) => (
        <Action key={file} mode="outlined" onPress={() => onAdd(file, title)}>
          Add “{title}”
        </Action>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  offer: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 12 },
});

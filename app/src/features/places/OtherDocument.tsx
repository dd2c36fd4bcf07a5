import { Pressable, StyleSheet } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';
import { DESK_KEY, deskDocuments } from '@/session';
import { useReader } from '@/shell';
import { pagesInWords, Sheet } from '@/ui';

/** The other documents on the desk: one is chosen to stand beside the one that is open. */
export function OtherDocument({ onClose }: { onClose: () => void }) {
  const { shell } = useReader();
  const { colors } = useTheme();
  const { data, error } = useSWR(DESK_KEY, deskDocuments);
  const { first } = shell.panes.store.getState().held;
  const others = data?.documents.filter(({ id }) => id !== first?.session.desk.id);
  const open = (document: string): void => {
    shell.panes.open({ document, place: null });
    onClose();
  };
  return (
    <Sheet title="Another document beside this one" open onClose={onClose}>
      {error && <Text role="alert">The documents on the desk could not be read.</Text>}
      {others?.length === 0 && <Text>No other document lies on the desk.</Text>}
      {others?.map(({ id, title, pages, count }) => (
        <Pressable key={id} role="button" onPress={() => open(id)} style={styles.row}>
          <Text variant="bodyLarge" numberOfLines={1}>
            {title}
          </Text>
          <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
            {pagesInWords(count ?? pages.length)}
          </Text>
        </Pressable>
      ))}
    </Sheet>
  );
}

const styles = StyleSheet.create({ row: { minHeight: 52, justifyContent: 'center' } });

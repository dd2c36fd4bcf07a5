import { StyleSheet } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';

/** Whether the browser has promised not to clear what is stored here; some do not know of such a promise. */
const isPromised = async (): Promise<boolean> => (await navigator.storage?.persisted?.()) ?? false;

/** Said where the browser has not promised to keep what is stored. */
export function StorageNote() {
  const { data: promised } = useSWR('storage-promised', isPromised);
  const { colors } = useTheme();
  if (promised !== false) return null;
  return (
    <Text style={[styles.note, { color: colors.onSurfaceVariant }]}>
      Documents are kept in this browser, which may clear them when it runs short of space or has
      not been used for a while. Send yourself a copy of what must not be lost.
    </Text>
  );
}

const styles = StyleSheet.create({ note: { maxWidth: 640 } });

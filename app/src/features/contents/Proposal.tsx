import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSession } from '@/session';
import { Action } from '@/ui';

/** Offers contents made of the headings where the file has none, and says that they are. */
export function Proposal() {
  const session = useSession();
  const { guide, print, notices } = session;
  const { proposed, proposing } = useStore(guide.store);
  const { colors } = useTheme();
  const propose = (): void => {
    const source = session.leadingSource();
    guide.propose(source, print.readerOf(source)).catch((e: unknown) => {
      notices.tell(e instanceof Error ? e.message : String(e));
    });
  };
  if (proposing)
    return (
      <Text variant="bodySmall" role="status" style={styles.said}>
        {`Looking for headings: ${proposing.read} of ${proposing.of} pages read.`}
      </Text>
    );
  if (!proposed)
    return (
      <View style={styles.offer}>
        <Action mode="outlined" onPress={propose}>
          Make contents from the headings
        </Action>
      </View>
    );
  return (
    <Text
      variant="bodySmall"
      role="status"
      style={[styles.said, { color: colors.onSurfaceVariant }]}
    >
      {proposed.length === 0
        ? 'No headings were found.'
        : 'Made from what is set in larger type: the file has no contents of its own.'}
    </Text>
  );
}

const styles = StyleSheet.create({
  offer: { alignItems: 'flex-start', paddingVertical: 4 },
  said: { paddingHorizontal: 4 },
});

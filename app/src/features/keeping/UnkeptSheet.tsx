import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useReader } from '@/shell';
import { Action, paperIcon, Sheet } from '@/ui';

/** Asked when somebody leaves a document with changes that storage refuses. */
export function UnkeptSheet({ onClose }: { onClose: () => void }) {
  const { session, shell } = useReader();
  return (
    <Sheet title="Some changes are not stored" open onClose={onClose}>
      <Text>
        The browser’s storage refuses them; it may be full. They are held in this tab, which tries
        again and again, also from the desk. Closing the tab would lose them. A copy is safe.
      </Text>
      <View style={styles.ways}>
        <Action mode="contained" onPress={onClose}>
          Stay here
        </Action>
        <Action mode="outlined" icon={paperIcon('send')} onPress={() => shell.openDialog('send')}>
          Send a copy
        </Action>
        <Action
          mode="outlined"
          onPress={() => {
            session.retry();
            onClose();
          }}
        >
          Try again
        </Action>
        <Action onPress={() => shell.leave(true)}>Leave all the same</Action>
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ ways: { gap: 8 } });

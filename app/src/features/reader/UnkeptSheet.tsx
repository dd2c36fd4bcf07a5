import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useSession } from '@/session';
import { Action, paperIcon, Sheet } from '@/ui';

/** Asked when somebody leaves a document with changes that storage refuses. */
export function UnkeptSheet(props: {
  open: boolean;
  onStay: () => void;
  onSend: () => void;
  onLeave: () => void;
}) {
  const { open, onStay, onSend, onLeave } = props;
  const { retry } = useSession();
  return (
    <Sheet title="Some changes are not stored" open={open} onClose={onStay}>
      <Text>
        The browser’s storage refuses them; it may be full. They are held in this tab, which tries
        again and again, also from the desk. Closing the tab would lose them. A copy is safe.
      </Text>
      <View style={styles.ways}>
        <Action mode="contained" onPress={onStay}>
          Stay here
        </Action>
        <Action mode="outlined" icon={paperIcon('send')} onPress={onSend}>
          Send a copy
        </Action>
        <Action
          mode="outlined"
          onPress={() => {
            retry();
            onStay();
          }}
        >
          Try again
        </Action>
        <Action onPress={onLeave}>Leave all the same</Action>
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ ways: { gap: 8 } });

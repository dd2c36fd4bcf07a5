import { Portal, Snackbar } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';

/** So long can be undone what is no step of the document, or until the next such thing, ms. */
const UNDO_FOR = 24_000;

/** What was just done beside the document, and the way back. */
export function Done() {
  const { notices } = useSession();
  const done = useSessionState((s) => s.done);
  return (
    <Portal>
      <Snackbar
        // A new one has its own time.
        key={done?.text}
        visible={done !== null}
        duration={UNDO_FOR}
        onDismiss={() => notices.tellDone(null)}
        action={{ label: 'Undo', onPress: () => done?.undo() }}
        style={{ alignSelf: 'center', maxWidth: 480, marginBottom: 64 }}
      >
        {done?.text ?? ''}
      </Snackbar>
    </Portal>
  );
}

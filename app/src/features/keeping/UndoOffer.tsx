import { Portal, Snackbar } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';

/** So long can be undone what is no step of the document, or until the next such thing, ms. */
const UNDO_FOR = 24_000;

/** What was just done beside the document, and the way back. */
export function UndoOffer() {
  const { notices } = useSession();
  const undoable = useSessionState((s) => s.undoable);
  return (
    <Portal>
      <Snackbar
        // A new one has its own time.
        key={undoable?.text}
        visible={undoable !== null}
        duration={UNDO_FOR}
        onDismiss={() => notices.offerUndo(null)}
        action={{ label: 'Undo', onPress: () => undoable?.undo() }}
        style={{ alignSelf: 'center', maxWidth: 480, marginBottom: 64 }}
      >
        {undoable?.text ?? ''}
      </Snackbar>
    </Portal>
  );
}

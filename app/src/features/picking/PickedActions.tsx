import { removeMarks } from '@marginalis/core/editing';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSession } from '@/session';
import { Action, paperIcon } from '@/ui';
import { copyPicked } from './clipboard';
import { RestyleSheet } from './RestyleSheet';
import { usePicked } from './usePicked';

/** What can be done with all that is picked, wherever it lies. */
export function PickedActions() {
  const session = useSession();
  const marks = usePicked();
  const [open, setOpen] = useState(false);
  return (
    <View style={styles.row} role="group" aria-label={`${marks.length} picked`}>
      <Action compact icon={paperIcon('look')} onPress={() => setOpen(true)}>
        Change
      </Action>
      <Action compact icon={paperIcon('copy')} onPress={() => void copyPicked(session)}>
        Copy
      </Action>
      <Action
        compact
        icon={paperIcon('remove')}
        onPress={() => {
          const { document, picked } = session.store.getState();
          session.dispatch(removeMarks(document, picked));
        }}
      >
        {`Remove ${marks.length}`}
      </Action>
      <RestyleSheet marks={marks} open={open} onClose={() => setOpen(false)} />
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 4 },
});

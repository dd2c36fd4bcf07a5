import { type Insets, widenPages } from '@marginalis/core/editing';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useSession } from '@/session';
import { Action, NumberField, Sheet } from '@/ui';
import { pagesAsked } from './asked';
import { OnPages } from './OnPages';
import { MM, SIDES } from './sides';

/** So much room at one side, mm: enough for a line of writing in several words. */
const USUAL = 50;
const MOST = 1000;

/** Blank room beyond the sides of pages, to write there; print and marks stay where they are. */
export function WidenPages({ onClose }: { onClose: () => void }) {
  const session = useSession();
  const [{ ids }] = useState(() => pagesAsked.getState());
  const [room, setRoom] = useState<Insets>({ top: 0, right: USUAL, bottom: 0, left: 0 });
  const [on, setOn] = useState<'these' | 'all'>('these');
  const widen = (): void => {
    const { document } = session.store.getState();
    const some = on === 'all' ? document.pages.map(({ id }) => id) : ids;
    const points = {
      top: room.top / MM,
      right: room.right / MM,
      bottom: room.bottom / MM,
      left: room.left / MM,
    };
    const widening = widenPages(document, some, points);
    if (widening) session.dispatch(widening);
    else session.notices.tell('There is no room for that: no page is longer than five metres.');
    onClose();
  };
  const none = Object.values(room).every((by) => by === 0);
  const foot = (
    <Action mode="contained" disabled={none} onPress={widen}>
      Make room
    </Action>
  );
  return (
    <Sheet title="Room to write" open onClose={onClose} foot={foot}>
      <View style={styles.row} role="group" aria-label="Room at each side">
        {SIDES.map(({ side, label }) => (
          <NumberField
            key={side}
            label={label}
            value={room[side]}
            least={0}
            most={MOST}
            onChange={(mm) => setRoom({ ...room, [side]: mm })}
          />
        ))}
      </View>
      <OnPages count={ids.length} on={on} onChange={setOn} />
      <Text variant="bodySmall">
        The pages become larger, here and in copies. “Crop pages” takes the room away again.
      </Text>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
});

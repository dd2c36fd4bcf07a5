import { canBePut, dropWaiting, putWaiting, waitingUnits } from '@marginalis/core/edition';
import { displayMatrix, invertMatrix, transform } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { useMemo } from 'react';
import { FlatList, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { Action, MenuButton, MenuItems } from '@/ui';
import { nameOf } from './inWords';
import { WaitingPicture } from './WaitingPicture';

/** Marks that have no place in the edition that is shown: each is put where it is wanted, or removed. */
export function WaitingPanel({ onGone }: { onGone: () => void }) {
  const session = useSession();
  const { stage } = useReader();
  const { colors } = useTheme();
  const marks = useSessionState((s) => s.document.marks);
  const writable = useSessionState((s) => s.writable);
  const waiting = useMemo(() => waitingUnits({ marks }), [marks]);
  /** Onto the page, in the middle of what is seen of it. */
  const put = (all: readonly Mark[]): void => {
    const { current } = stage.getSight();
    const page = stage.pages[current];
    if (!page) return;
    const { width, height } = stage.getView();
    const seen = stage.pageAt({ x: width / 2, y: height / 2 });
    const at =
      seen?.index === current ? seen.user : transform(invertMatrix(displayMatrix(page)), MIDDLE);
    const { document } = session.store.getState();
    if (session.dispatch(putWaiting(document, all, page.id, at)))
      session.inHand.pick(all.map(({ id }) => id));
    onGone();
  };
  const drop = (all: readonly Mark[]): void => {
    session.dispatch(dropWaiting(all));
  };
  if (waiting.length === 0)
    return (
      <Text style={styles.none}>
        Nothing waits. Marks that have no place in a new edition are kept here until you put them
        somewhere.
      </Text>
    );
  return (
    <View style={styles.panel}>
      <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
        These have no place in the new edition. Put them on the page in sight, and move them from
        there.
      </Text>
      <FlatList
        data={waiting}
        keyExtractor={([{ id }]) => id}
        style={styles.rows}
        renderItem={({ item }) => (
          <View style={[styles.row, { borderColor: colors.outlineVariant }]}>
            <WaitingPicture marks={item} />
            <Text variant="bodyMedium" numberOfLines={2} style={styles.name}>
              {nameOf(item)}
            </Text>
            <Action
              compact
              mode="outlined"
              disabled={!writable || !item.every(canBePut)}
              accessibilityLabel={`Put here: ${nameOf(item)}`}
              onPress={() => put(item)}
            >
              Put here
            </Action>
            <MenuButton icon="more" label={`More about ${nameOf(item)}`}>
              {(close) => (
                <MenuItems
                  close={close}
                  ways={[{ title: 'Remove', icon: 'remove', run: () => drop(item) }]}
                />
              )}
            </MenuButton>
          </View>
        )}
      />
      {waiting.length > 1 && (
        <View style={styles.foot}>
          <Action disabled={!writable} onPress={() => put(waiting.flat().filter(canBePut))}>
            {`Put all ${waiting.length} here`}
          </Action>
          <Action disabled={!writable} onPress={() => drop(waiting.flat())}>
            Remove all
          </Action>
        </View>
      )}
    </View>
  );
}

/** Where nothing of the page in sight is in the middle of the window, points from its upper left corner. */
const MIDDLE = { x: 200, y: 200 };

const styles = StyleSheet.create({
  panel: { flex: 1, minHeight: 0, gap: 6 },
  rows: { flex: 1 },
  row: {
    ...{ minHeight: 64, flexDirection: 'row', alignItems: 'center', gap: 8 },
    borderBottomWidth: 1,
  },
  name: { flex: 1, minWidth: 0 },
  foot: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  none: { paddingVertical: 24, paddingHorizontal: 8, textAlign: 'center' },
});

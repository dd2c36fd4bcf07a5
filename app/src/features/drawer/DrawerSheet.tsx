import { type DrawerItem, foldersOf, orderBeside, searchDrawer } from '@marginalis/core/drawer';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useStore } from 'zustand';
import { keepInDrawer, useDrawer } from '@/session';
import { useReader } from '@/shell';
import { Action, Choices, Field, Sheet, ToggleChip } from '@/ui';
import { drawerAsked } from './asked';
import { saveDrawer, openDrawerFile } from './drawerFile';
import { ItemCard } from './ItemCard';
import { removeItem } from './removeItem';
import { RenameItem } from './RenameItem';
import { SignPad } from './SignPad';
import { takeFromDrawer } from './takeFromDrawer';

/** So many are shown at first, and so many more each time. */
const SHOWN = 60;
const NONE: readonly DrawerItem[] = [];

/** One's own things: searched, ordered, put on the page, and written or renamed. */
export function DrawerSheet({ onClose }: { onClose: () => void }) {
  const reader = useReader();
  const asked = useStore(drawerAsked);
  const items = useDrawer((s) => s.items) ?? NONE;
  const isRead = useDrawer((s) => s.items !== null);
  const [term, setTerm] = useState('');
  const [folder, setFolder] = useState<string | null>(null);
  const [by, setBy] = useState<'hand' | 'use'>('hand');
  const [most, setMost] = useState(SHOWN);
  const [isSigning, setSigning] = useState(false);
  const [renamed, setRenamed] = useState<DrawerItem | null>(null);
  useEffect(() => void useDrawer.getState().read(), []);
  const wanted = useMemo(
    () => (asked.signs ? items.filter(({ sort }) => sort === 'signature') : items),
    [items, asked.signs],
  );
  const found = useMemo(
    () => searchDrawer(wanted, { term, folder, by }),
    [wanted, term, folder, by],
  );
  const take = (item: DrawerItem): void => {
    onClose();
    void takeFromDrawer(reader, item, asked);
  };
  const drag = (item: DrawerItem) => ({
    onBegin: onClose,
    onDrop: (clientX: number, clientY: number): void => {
      const { stage, session } = reader;
      stage.locate();
      const hit = stage.pageAt(stage.fromClient(clientX, clientY));
      if (!hit) return session.notices.tell('Nothing was put there: let it go over a page.');
      const spot = { index: hit.index, at: hit.user };
      void takeFromDrawer(reader, item, { ...asked, spot });
    },
  });
  const move = (item: DrawerItem, way: 1 | -1): (() => void) | null => {
    const order = by === 'hand' ? orderBeside(found, item.id, way) : null;
    return order === null ? null : () => void keepInDrawer(reader.session, [{ ...item, order }]);
  };
  const title = asked.signs ? 'Sign' : 'Drawer';
  // Where there is none yet, the sheet to write one is the next thing.
  if (isSigning || (asked.signs && isRead && wanted.length === 0))
    return (
      <Sheet title={title} open onClose={onClose}>
        <SignPad
          items={items}
          onDone={(item) => {
            setSigning(false);
            if (item) take(item);
            else if (wanted.length === 0 && asked.signs) onClose();
          }}
        />
      </Sheet>
    );
  const ways = (
    <View style={styles.foot}>
      <Action onPress={() => setSigning(true)}>Write a signature</Action>
      {!asked.signs && (
        <>
          <Action
            disabled={items.length === 0}
            onPress={() => void saveDrawer(reader.session, items)}
          >
            Save the drawer as a file
          </Action>
          <Action onPress={() => void openDrawerFile(reader.session, items)}>
            Bring in a drawer
          </Action>
        </>
      )}
    </View>
  );
  const folders = foldersOf(wanted);
  return (
    <Sheet title={title} open onClose={onClose} foot={ways}>
      <Field label="Look for" value={term} onChangeText={setTerm} />
      {folders.length > 0 && (
        <View role="group" aria-label="Folders" style={styles.row}>
          <ToggleChip label="All" on={folder === null} onPress={() => setFolder(null)} />
          {folders.map((one) => (
            <ToggleChip
              key={one}
              label={one}
              on={folder === one}
              onPress={() => setFolder(folder === one ? null : one)}
            />
          ))}
        </View>
      )}
      {wanted.length > 1 && (
        <Choices
          label="In order"
          value={by}
          onChange={setBy}
          choices={[
            { value: 'hand', label: 'By hand' },
            { value: 'use', label: 'Used last' },
          ]}
        />
      )}
      {isRead && wanted.length === 0 && (
        <Text>
          There is nothing in the drawer yet. Pick something on a page and put it in, or write your
          signature.
        </Text>
      )}
      {wanted.length > 0 && found.length === 0 && <Text>Nothing in the drawer is called so.</Text>}
      <View role="list" aria-label="In the drawer" style={styles.row}>
        {found.slice(0, most).map((item) => (
          <ItemCard
            key={item.id}
            item={item}
            onTake={() => take(item)}
            drag={item.sort === 'look' ? null : drag(item)}
            onMove={{ up: move(item, -1), down: move(item, 1) }}
            onRename={() => setRenamed(item)}
            onRemove={() => void removeItem(reader.session, item)}
          />
        ))}
      </View>
      {found.length > most && (
        <Action onPress={() => setMost(most + SHOWN)}>
          {`Show more (${found.length - most})`}
        </Action>
      )}
      {renamed && (
        <RenameItem
          item={renamed}
          onClose={(item) => {
            setRenamed(null);
            if (item) void keepInDrawer(reader.session, [item]);
          }}
        />
      )}
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  foot: { flexDirection: 'row', flexWrap: 'wrap', gap: 4 },
});

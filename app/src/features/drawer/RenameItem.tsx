import { type DrawerItem, LONGEST_ITEM_NAME } from '@marginalis/core/drawer';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Action, Field, Sheet } from '@/ui';

/** Another name for a thing of the drawer, and another folder. */
export function RenameItem(props: {
  item: DrawerItem;
  onClose: (item: DrawerItem | null) => void;
}) {
  const { item, onClose } = props;
  const [name, setName] = useState(item.name);
  const [folder, setFolder] = useState(item.folder);
  return (
    <Sheet title="Rename" open onClose={() => onClose(null)}>
      <Field label="Name" value={name} onChangeText={setName} maxLength={LONGEST_ITEM_NAME} />
      <Field label="Folder" value={folder} onChangeText={setFolder} maxLength={LONGEST_ITEM_NAME} />
      <View style={styles.end}>
        <Action
          mode="contained"
          disabled={name.trim() === ''}
          onPress={() => onClose({ ...item, name: name.trim(), folder: folder.trim() })}
        >
          Keep
        </Action>
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  end: { flexDirection: 'row', justifyContent: 'flex-end', paddingTop: 8 },
});

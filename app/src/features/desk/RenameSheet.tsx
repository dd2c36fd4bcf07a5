import { useState } from 'react';
import { TextInput } from 'react-native-paper';
import type { DeskDocument } from '@/storage';
import { Action, Sheet } from '@/ui';

export function RenameSheet(props: {
  document: DeskDocument;
  onClose: () => void;
  onRename: (id: string, title: string) => void;
}) {
  const { document, onClose, onRename } = props;
  const [title, setTitle] = useState(document.title);
  const rename = () => {
    if (title.trim() === '') return;
    onRename(document.id, title);
    onClose();
  };
  return (
    <Sheet title="Rename" open onClose={onClose}>
      <TextInput
        label="Title"
        accessibilityLabel="Title"
        mode="outlined"
        value={title}
        onChangeText={setTitle}
        onSubmitEditing={rename}
        maxLength={200}
        autoFocus
        selectTextOnFocus
      />
      <Action mode="contained" onPress={rename} disabled={title.trim() === ''}>
        Rename
      </Action>
    </Sheet>
  );
}

import { useState } from 'react';
import { Menu, Text, TextInput, useTheme } from 'react-native-paper';
import { usePenRoll } from '@/session';
import { paperIcon, Sheet } from '@/ui';

/** An entry of the view menu: the name that signs new marks. */
export function AuthorItem({ onOpen }: { onOpen: () => void }) {
  const author = usePenRoll((r) => r.author);
  return (
    <Menu.Item
      leadingIcon={paperIcon('rename')}
      title={author === '' ? 'Sign new marks' : `Signed by ${author}`}
      onPress={onOpen}
    />
  );
}

/** Where the name is given. */
export function AuthorSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { author, setAuthor } = usePenRoll();
  const { colors } = useTheme();
  const [text, setText] = useState(author);
  const close = () => {
    setAuthor(text.trim());
    onClose();
  };
  return (
    <Sheet title="Your name" open={open} onClose={close}>
      <TextInput
        mode="outlined"
        label="Name"
        accessibilityLabel="Name"
        value={text}
        maxLength={100}
        style={{ backgroundColor: colors.surface }}
        onChangeText={setText}
        onSubmitEditing={close}
      />
      <Text variant="bodySmall">
        New marks carry it, here in the list of marks. Leave it empty and nobody is named.
      </Text>
    </Sheet>
  );
}

import { useState } from 'react';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { usePenRoll } from '@/session';
import { Sheet } from '@/ui';

/** Where the name is given. */
export function AuthorSheet({ onClose }: { onClose: () => void }) {
  const { author, setAuthor } = usePenRoll();
  const { colors } = useTheme();
  const [text, setText] = useState(author);
  const close = () => {
    setAuthor(text.trim());
    onClose();
  };
  return (
    <Sheet title="Your name" open onClose={close}>
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

import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { useSettings } from '@/session';

/** Where the name is given. */
export function NameSetting() {
  const { author, setAuthor } = useSettings();
  const { colors } = useTheme();
  const [text, setText] = useState(author);
  const keep = () => setAuthor(text.trim());
  return (
    <View>
      <TextInput
        mode="outlined"
        label="Your name"
        accessibilityLabel="Your name"
        value={text}
        maxLength={100}
        style={{ backgroundColor: colors.surface }}
        onChangeText={setText}
        onBlur={keep}
        onSubmitEditing={keep}
      />
      <Text variant="bodySmall">
        New marks carry it, here in the list of marks. Leave it empty and nobody is named.
      </Text>
    </View>
  );
}

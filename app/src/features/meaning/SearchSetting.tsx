import { useState } from 'react';
import { View } from 'react-native';
import { HelperText, Text, TextInput, useTheme } from 'react-native-paper';
import { useSettings } from '@/session';
import { isSearchAddress, PLACE } from './lookUp';

/** Where words are searched for outside: nowhere until an address is given. */
export function SearchSetting() {
  const { searchAt, setSearchAt } = useSettings();
  const { colors } = useTheme();
  const [text, setText] = useState(searchAt);
  const isGood = text.trim() === '' || isSearchAddress(text.trim());
  const keep = (): void => {
    if (isGood) setSearchAt(text.trim());
  };
  return (
    <View>
      <TextInput
        mode="outlined"
        label="Address of a web search"
        accessibilityLabel="Address of a web search"
        placeholder={`https://… ${PLACE}`}
        inputMode="url"
        autoCapitalize="none"
        value={text}
        maxLength={500}
        error={!isGood}
        style={{ backgroundColor: colors.surface }}
        onChangeText={setText}
        onBlur={keep}
        onSubmitEditing={keep}
      />
      {isGood ? (
        <Text variant="bodySmall">
          {`Words you look up can be searched for there: ${PLACE} stands for them. Leave it empty and nothing is searched for outside.`}
        </Text>
      ) : (
        <HelperText type="error">{`An address that begins with https:// and has ${PLACE} in it.`}</HelperText>
      )}
    </View>
  );
}

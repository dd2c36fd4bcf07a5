import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { HelperText } from 'react-native-paper';
import { useSettings } from '@/session';
import { FIRST_NAMING } from '@/storage';
import { Action, Field } from '@/ui';

/** How files are named that leave, shown when it is asked for. */
export function NamePattern() {
  const [isOpen, setOpen] = useState(false);
  const naming = useSettings((s) => s.sending.naming);
  const change = (next: string): void => useSettings.getState().setSending({ naming: next });
  if (!isOpen)
    return (
      <View style={styles.row}>
        <Action compact onPress={() => setOpen(true)}>
          How files are named …
        </Action>
      </View>
    );
  return (
    <View>
      <Field
        label="How files are named"
        autoFocus
        autoCapitalize="none"
        autoCorrect={false}
        spellCheck={false}
        value={naming}
        maxLength={200}
        onChangeText={change}
      />
      <HelperText type="info">
        {'{title}, {pages}, {kind}, {author} and {date} are filled in; what is empty is left out.'}
      </HelperText>
      <View style={styles.row}>
        {naming !== FIRST_NAMING && (
          <Action compact onPress={() => change(FIRST_NAMING)}>
            As at first
          </Action>
        )}
        <Action compact onPress={() => setOpen(false)}>
          Done
        </Action>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', marginLeft: -8 } });

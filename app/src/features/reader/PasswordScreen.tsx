import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import { unlockDocument, useRemoval } from '@/session';
import type { DeskDocument } from '@/storage';
import { Action, EmptyScreen } from '@/ui';

/** Asks for the password of a locked document. Three ways out: enter, skip, remove from the desk. */
export function PasswordScreen(props: {
  document: DeskDocument;
  onUnlocked: () => void;
  onLeave: () => void;
}) {
  const { document, onUnlocked, onLeave } = props;
  const [password, setPassword] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const unlock = async () => {
    setBusy(true);
    const result = await unlockDocument(document, password);
    setBusy(false);
    if (result.ok) onUnlocked();
    else setRefusal(result.message);
  };
  return (
    <EmptyScreen
      title={document.title}
      text="This PDF is locked with a password. The password stays in this tab only and is stored nowhere."
    >
      <View style={styles.form}>
        <TextInput
          label="Password"
          accessibilityLabel="Password"
          autoCapitalize="none"
          autoComplete="current-password"
          autoCorrect={false}
          spellCheck={false}
          mode="outlined"
          secureTextEntry
          autoFocus
          value={password}
          onChangeText={(text) => {
            setPassword(text);
            setRefusal(null);
          }}
          onSubmitEditing={unlock}
          error={refusal !== null}
        />
        <HelperText type="error" visible={refusal !== null} role="alert">
          {refusal}
        </HelperText>
        <Action mode="contained" onPress={unlock} loading={busy} disabled={busy || password === ''}>
          Open
        </Action>
        <Action onPress={onLeave}>Skip for now</Action>
        <Action
          onPress={async () => {
            await useRemoval.getState().remove(document);
            onLeave();
          }}
        >
          Remove from the desk
        </Action>
      </View>
    </EmptyScreen>
  );
}

const styles = StyleSheet.create({ form: { width: '100%', maxWidth: 340, gap: 6 } });

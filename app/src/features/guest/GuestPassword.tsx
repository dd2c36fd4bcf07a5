import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ServerError, visitLink } from '@/remote';
import { Action, EmptyScreen, PasswordField } from '@/ui';

/** Asks for the password of a link. */
export function GuestPassword({ token, onLetIn }: { token: string; onLetIn: () => void }) {
  const [password, setPassword] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const enter = async () => {
    if (password === '') return;
    setBusy(true);
    try {
      await visitLink(token, password);
      onLetIn();
    } catch (e) {
      if (!(e instanceof ServerError)) throw e;
      setRefusal(e.message);
      setBusy(false);
    }
  };
  return (
    <EmptyScreen
      title="This document asks for a password"
      text="Whoever sent you the link can tell it to you."
    >
      <View style={styles.form}>
        <PasswordField
          value={password}
          onChange={(text) => {
            setPassword(text);
            setRefusal(null);
          }}
          onSubmit={enter}
          refusal={refusal}
          remembered={false}
        />
        <Action mode="contained" onPress={enter} loading={busy} disabled={busy || password === ''}>
          Open
        </Action>
      </View>
    </EmptyScreen>
  );
}

const styles = StyleSheet.create({ form: { width: 320, maxWidth: '100%' } });

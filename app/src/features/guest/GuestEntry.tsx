import { LONGEST_NAME, type VisitAsks } from '@marginalis/core/wire';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { HelperText } from 'react-native-paper';
import { ServerError, visitLink } from '@/remote';
import { Action, EmptyScreen, Field, PasswordField } from '@/ui';

/** What a link asks for is said above the fields. */
function headOf({ password, name }: VisitAsks): { title: string; text: string } {
  if (!name)
    return {
      title: 'This document asks for a password',
      text: 'Whoever sent you the link can tell it to you.',
    };
  return {
    title: password ? 'This document asks for a password and your name' : 'Who is reading?',
    text: 'Your name is written over the pages you are shown.',
  };
}

/** Asks for what a link asks its guests for. */
export function GuestEntry(props: { token: string; asks: VisitAsks; onLetIn: () => void }) {
  const { token, asks, onLetIn } = props;
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const isReady = (!asks.name || name.trim() !== '') && (!asks.password || password !== '');
  const enter = async () => {
    if (!isReady) return;
    setBusy(true);
    try {
      await visitLink(token, { name: name.trim(), password });
      onLetIn();
    } catch (e) {
      if (!(e instanceof ServerError)) throw e;
      setRefusal(e.message);
      setBusy(false);
    }
  };
  return (
    <EmptyScreen {...headOf(asks)}>
      <View style={styles.form}>
        {asks.name && (
          <Field
            label="Your name"
            autoComplete="name"
            autoFocus
            maxLength={LONGEST_NAME}
            value={name}
            onChangeText={setName}
            onSubmitEditing={enter}
          />
        )}
        {asks.password && (
          <PasswordField
            value={password}
            onChange={(text) => {
              setPassword(text);
              setRefusal(null);
            }}
            onSubmit={enter}
            refusal={refusal}
            remembered={false}
            isFirst={!asks.name}
          />
        )}
        {!asks.password && refusal !== null && (
          <HelperText type="error" role="alert">
            {refusal}
          </HelperText>
        )}
        <Action mode="contained" onPress={enter} loading={busy} disabled={busy || !isReady}>
          Open
        </Action>
      </View>
    </EmptyScreen>
  );
}

const styles = StyleSheet.create({ form: { width: 320, maxWidth: '100%', gap: 8 } });

import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { unlockDocument, useRemoval } from '@/session';
import type { DeskDocument } from '@/storage';
import { Action, EmptyScreen, PasswordField } from '@/ui';

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
        <PasswordField
          value={password}
          onChange={(text) => {
            setPassword(text);
            setRefusal(null);
          }}
          onSubmit={unlock}
          refusal={refusal}
          remembered
        />
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

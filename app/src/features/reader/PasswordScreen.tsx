import { StyleSheet, View } from 'react-native';
import { unlockDocument, useRemoval } from '@/session';
import type { DeskDocument } from '@/storage';
import { Action, AskPassword, EmptyScreen } from '@/ui';

/** Asks for the password of a locked document. Three ways out: enter, skip, remove from the desk. */
export function PasswordScreen(props: {
  document: DeskDocument;
  onUnlocked: () => void;
  onLeave: () => void;
}) {
  const { document, onUnlocked, onLeave } = props;
  const open = async (password: string): Promise<string | null> => {
    const result = await unlockDocument(document, password);
    if (!result.ok) return result.message;
    onUnlocked();
    return null;
  };
  return (
    <EmptyScreen
      title={document.title}
      text="This PDF is locked with a password. The password stays in this tab only and is stored nowhere."
    >
      <View style={styles.form}>
        <AskPassword open={open} remembered>
          <Action onPress={onLeave}>Skip for now</Action>
          <Action
            onPress={async () => {
              await useRemoval.getState().remove(document);
              onLeave();
            }}
          >
            Remove from the desk
          </Action>
        </AskPassword>
      </View>
    </EmptyScreen>
  );
}

const styles = StyleSheet.create({ form: { width: '100%', maxWidth: 340 } });

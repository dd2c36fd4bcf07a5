import { useCallback, useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator } from 'react-native-paper';
import { type Reader, type ReaderFeature, ReaderShell, UNKEPT } from '@/shell';
import { Action, EmptyScreen } from '@/ui';
import { PasswordScreen } from './PasswordScreen';
import { useOpenDocument } from './useOpenDocument';

/** Opens a document and puts a reader of these features around it. */
export function ReaderScreen(props: {
  id: string;
  features: readonly ReaderFeature[];
  onBack: () => void;
}) {
  const { id, features, onBack } = props;
  const opened = useOpenDocument(id);
  const title = opened.phase === 'open' ? opened.session.desk.title : null;
  useEffect(() => {
    if (title === null) return undefined;
    document.title = `${title} · Marginalis`;
    return () => {
      document.title = 'Marginalis';
    };
  }, [title]);
  const leave = useCallback(
    ({ session, shell }: Reader, anyway: boolean) => {
      if (session.store.getState().refused && !anyway) shell.openDialog(UNKEPT);
      else onBack();
    },
    [onBack],
  );
  if (opened.phase === 'opening')
    return (
      <View style={styles.waiting} aria-busy>
        <ActivityIndicator accessibilityLabel="Opening the document" />
      </View>
    );
  if (opened.phase === 'locked')
    return <PasswordScreen document={opened.document} onUnlocked={opened.retry} onLeave={onBack} />;
  if (opened.phase === 'failed')
    return (
      <EmptyScreen title="This document cannot be opened" text={opened.message}>
        <Action mode="contained" onPress={onBack}>
          Back to the desk
        </Action>
      </EmptyScreen>
    );
  return (
    <ReaderShell
      session={opened.session}
      pictures={opened.pictures}
      place={opened.place}
      features={features}
      onLeave={leave}
    />
  );
}

const styles = StyleSheet.create({
  waiting: { flex: 1, alignItems: 'center', justifyContent: 'center' },
});

import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator } from 'react-native-paper';
import type { Opened } from '@/shell';
import { Action, EmptyScreen } from '@/ui';
import { PasswordScreen } from './PasswordScreen';
import { WrittenScreen } from './WrittenScreen';
import { useOpenDocument } from './useOpenDocument';

/** Opens a document and shows it; until then, or where it cannot be opened, what must be waited for, done or said. */
export function OpenedDocument(props: {
  id: string;
  /** What leads away from a document that does not open. */
  leave: string;
  onLeave: () => void;
  children: (opened: Opened) => ReactNode;
}) {
  const { id, leave, onLeave, children } = props;
  const opened = useOpenDocument(id);
  if (opened.phase === 'opening')
    return (
      <View style={styles.waiting} aria-busy>
        <ActivityIndicator accessibilityLabel="Opening the document" />
      </View>
    );
  if (opened.phase === 'locked')
    return (
      <PasswordScreen document={opened.document} onUnlocked={opened.retry} onLeave={onLeave} />
    );
  if (opened.phase === 'asking') {
    const { document, written, retry } = opened;
    return (
      <WrittenScreen document={document} written={written} onAnswered={retry} onLeave={onLeave} />
    );
  }
  if (opened.phase === 'failed')
    return (
      <EmptyScreen title="This document cannot be opened" text={opened.message}>
        <Action mode="contained" onPress={onLeave}>
          {leave}
        </Action>
      </EmptyScreen>
    );
  return children(opened);
}

const styles = StyleSheet.create({
  waiting: { flex: 1, alignItems: 'center', justifyContent: 'center' },
});

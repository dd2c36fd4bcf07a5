import { useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { HelperText, Text } from 'react-native-paper';
import { leaveWritten, leftInWords, takeUpWritten, writtenInWords } from '@/session';
import type { DeskDocument } from '@/storage';
import { Action, EmptyScreen } from '@/ui';

/** Asks what is to become of what other programs have written on a document: marks of its own, or part of the print. */
export function WrittenScreen(props: {
  document: DeskDocument;
  written: NonNullable<DeskDocument['written']>;
  onAnswered: () => void;
  onLeave: () => void;
}) {
  const { document, written, onAnswered, onLeave } = props;
  const [busy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const answer = async (how: () => Promise<string | null>) => {
    setBusy(true);
    setRefusal(null);
    const message = await how().catch((e: unknown) => (e instanceof Error ? e.message : String(e)));
    setBusy(false);
    if (message === null) onAnswered();
    else setRefusal(message);
  };
  const left = leftInWords(written);
  return (
    <EmptyScreen title={document.title} text={writtenInWords(written)}>
      <View style={styles.ways}>
        {document.picture && (
          <Image
            source={{ uri: document.picture }}
            accessibilityLabel="The first page"
            resizeMode="contain"
            style={styles.picture}
          />
        )}
        <Text variant="bodyMedium" style={styles.words}>
          As marks you can move, change, answer and erase them. Left in the print they look as they
          do, and nothing can be done to them.
        </Text>
        {left && (
          <Text variant="bodyMedium" style={styles.words}>
            {left}
          </Text>
        )}
        <HelperText type="error" visible={refusal !== null} role="alert">
          {refusal}
        </HelperText>
        <Action
          mode="contained"
          loading={busy}
          disabled={busy}
          onPress={() =>
            answer(async () => {
              const taken = await takeUpWritten(document.id, Date.now());
              return taken.ok ? null : taken.message;
            })
          }
        >
          Take them up as marks
        </Action>
        <Action
          mode="outlined"
          disabled={busy}
          onPress={() =>
            answer(async () => {
              await leaveWritten(document);
              return null;
            })
          }
        >
          Leave them in the print
        </Action>
        <Action disabled={busy} onPress={onLeave}>
          Skip for now
        </Action>
      </View>
    </EmptyScreen>
  );
}

const styles = StyleSheet.create({
  ways: { width: '100%', maxWidth: 400, gap: 8 },
  words: { textAlign: 'center' },
  picture: { height: 220 },
});

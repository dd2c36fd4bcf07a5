import { guestAuthor, LONGEST_ANSWER, LONGEST_NAME, type SharedNote } from '@marginalis/core/wire';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';
import { readNotes, sendAnswer, ServerError } from '@/remote';
import { Action, ago, Field, Sheet, useNow } from '@/ui';

/** One thing that was said, by the owner or by a guest. */
interface Said {
  readonly key: string;
  readonly who: string;
  readonly at: number;
  readonly text: string;
}

/** The notes of a document, which guests may answer. */
export function GuestNotes(props: {
  token: string;
  /** What the guest has said to be called; empty where nobody asked. */
  guest: string;
  onClose: () => void;
}) {
  const { token, guest, onClose } = props;
  const { data, error, mutate } = useSWR(`notes/${token}`, () => readNotes(token), {
    shouldRetryOnError: false,
  });
  const [name, setName] = useState(guest);
  const { colors } = useTheme();
  const answersTo = (note: string): Said[] =>
    (data?.answers ?? [])
      .filter((answer) => answer.note === note)
      .map(({ id, name: who, at, text }) => ({ key: id, who: guestAuthor(who), at, text }));
  return (
    <Sheet title="Notes" open onClose={onClose}>
      {!data && !error && <ActivityIndicator accessibilityLabel="Fetching the notes" />}
      {error instanceof ServerError && <Text role="alert">{error.message}</Text>}
      {data && (
        <>
          {guest === '' && (
            <Field
              label="Your name"
              autoComplete="name"
              maxLength={LONGEST_NAME}
              value={name}
              onChangeText={setName}
            />
          )}
          <Text style={{ color: colors.onSurfaceVariant }}>
            Your answers go to whoever sent this document, and are seen by the other guests.
          </Text>
        </>
      )}
      <View role="list" aria-label="Notes" style={styles.list}>
        {data?.notes.map((note) => (
          <NoteRow
            key={note.id}
            note={note}
            answers={answersTo(note.id)}
            name={name.trim()}
            onAnswer={async (text) => {
              await sendAnswer(token, { note: note.id, name: name.trim(), text });
              await mutate();
            }}
          />
        ))}
      </View>
    </Sheet>
  );
}

function NoteRow(props: {
  note: SharedNote;
  answers: readonly Said[];
  /** Of the guest; nobody answers without. */
  name: string;
  /** @throws ServerError */
  onAnswer: (text: string) => Promise<void>;
}) {
  const { note, answers, name, onAnswer } = props;
  const { page, quote, isSettled } = note;
  const { colors } = useTheme();
  const now = useNow();
  const [text, setText] = useState('');
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const quiet = { color: colors.onSurfaceVariant };
  const told = note.said.map(({ author, madeAt, text: said, isWritten }, k): Said => {
    const words = said === '' && isWritten ? 'Written with the pen; see the page.' : said;
    return { key: `${k}`, who: author || 'Without a name', at: madeAt, text: words };
  });
  const answer = async () => {
    setBusy(true);
    setTrouble(null);
    try {
      await onAnswer(text.trim());
      setText('');
    } catch (e) {
      if (!(e instanceof ServerError)) throw e;
      setTrouble(e.message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <View role="listitem" style={[styles.note, { borderColor: colors.outlineVariant }]}>
      <Text style={quiet}>
        {page && `Page ${page}`}
        {isSettled && ' · settled'}
      </Text>
      {quote !== '' && (
        <Text numberOfLines={3} style={[styles.quote, { borderColor: colors.outlineVariant }]}>
          {quote}
        </Text>
      )}
      {[...told, ...answers].map(({ key, who, at, text: said }) => (
        <View key={key}>
          <Text style={quiet}>
            {who}, {ago(at, now)}
          </Text>
          <Text selectable>{said}</Text>
        </View>
      ))}
      <Field
        label="Answer"
        accessibilityLabel={`Answer the note on page ${page}`}
        multiline
        maxLength={LONGEST_ANSWER}
        value={text}
        onChangeText={setText}
      />
      {trouble && <Text role="alert">{trouble}</Text>}
      {text.trim() !== '' && (
        <Action mode="contained" onPress={answer} disabled={busy || name === ''} loading={busy}>
          {name === '' ? 'Write your name above first' : 'Answer'}
        </Action>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: 12 },
  note: { borderTopWidth: 1, paddingTop: 12, gap: 8 },
  quote: { borderLeftWidth: 3, paddingLeft: 10, fontStyle: 'italic' },
});

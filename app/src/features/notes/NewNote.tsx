import { addNote } from '@marginalis/core/editing';
import { StyleSheet, View } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { useState } from 'react';
import { useSettings } from '@/session';
import { NoteField } from './NoteField';
import { SIGN } from './sign';
import { type BegunNote, notesHeld } from './notesHeld';

/** A note that is begun: what it is about, what it says, and by whom, until somebody has said so. */
export function NewNote({ begun }: { begun: BegunNote }) {
  const { session, about, quote, said } = begun;
  const { author, setAuthor } = useSettings();
  const [name, setName] = useState('');
  const { colors } = useTheme();
  const leave = (): void => notesHeld.setState({ begun: null });
  const keep = (): void => {
    const signed = author || name.trim();
    if (signed !== author) setAuthor(signed);
    const id = crypto.randomUUID();
    const note = { id, about, ...said, style: SIGN, author: signed, madeAt: Date.now() };
    if (session.dispatch(addNote(session.store.getState().document, note)))
      notesHeld.setState({ begun: null, chosen: id });
  };
  return (
    <View
      role="group"
      aria-label="New note"
      style={[styles.card, { borderColor: colors.primary, backgroundColor: colors.surface }]}
    >
      <Text variant="bodySmall" numberOfLines={2} style={{ color: colors.onSurfaceVariant }}>
        {quote !== ''
          ? `On “${quote}”`
          : 'area' in about && about.area
            ? 'On an area of the page'
            : 'On a place of the page'}
      </Text>
      {author === '' && (
        <TextInput
          mode="outlined"
          dense
          accessibilityLabel="Your name, if notes are to carry it"
          placeholder="Your name, if notes are to carry it"
          value={name}
          maxLength={100}
          onChangeText={setName}
          style={{ backgroundColor: colors.surface }}
        />
      )}
      <NoteField
        label="What the note says"
        said={said}
        onSaid={(next) => notesHeld.setState({ begun: { ...begun, said: next } })}
        keep="Add the note"
        onKeep={keep}
        onLeave={leave}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: 6, padding: 10, gap: 8 },
});

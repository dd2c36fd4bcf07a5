import type { Tag, Thread } from '@marginalis/core/document';
import { addTag, labelNote, removeTag } from '@marginalis/core/editing';
import { PEN_INKS } from '@marginalis/core/marks';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { Action, MenuButton, MenuItems, ToggleChip } from '@/ui';

const LONGEST = 60;

/** The labels that a document has, on a note or off it, and a new one. */
export function LabelFields({
  thread,
  label,
  onDone,
}: {
  thread: Thread;
  label: string;
  onDone: () => void;
}) {
  const session = useSession();
  const tags = useSessionState((s) => s.document.tags);
  const { colors } = useTheme();
  const [name, setName] = useState('');
  const all = [...tags.values()].sort((a, b) => a.order - b.order);
  const add = (): void => {
    const { colour } = PEN_INKS[all.length % PEN_INKS.length];
    const { document } = session.store.getState();
    const made = addTag(document, { id: crypto.randomUUID(), name, colour }, thread);
    if (session.dispatch(made)) setName('');
  };
  const remove = (tag: Tag): void => {
    session.dispatch(removeTag(session.store.getState().document, tag));
  };
  return (
    <View role="group" aria-label={label} style={styles.all}>
      {all.length > 0 && (
        <View style={styles.row}>
          {all.map((tag) => {
            const on = thread.tags.includes(tag.id);
            return (
              <ToggleChip
                key={tag.id}
                label={tag.name}
                on={on}
                onPress={() => session.dispatch(labelNote(thread, tag, !on))}
              />
            );
          })}
          <MenuButton icon="remove" label="Remove a label from the document">
            {(close) => (
              <MenuItems
                close={close}
                ways={all.map((tag) => ({
                  title: `Remove “${tag.name}”`,
                  icon: 'remove',
                  run: () => remove(tag),
                }))}
              />
            )}
          </MenuButton>
        </View>
      )}
      <View style={styles.row}>
        <TextInput
          mode="outlined"
          dense
          accessibilityLabel="New label"
          placeholder="New label"
          value={name}
          maxLength={LONGEST}
          onChangeText={setName}
          onSubmitEditing={add}
          style={[styles.field, { backgroundColor: colors.surface }]}
        />
        <Action compact disabled={name.trim() === ''} onPress={add}>
          Add
        </Action>
      </View>
      {all.length === 0 && (
        <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
          Labels are your own words, by which notes are found again.
        </Text>
      )}
      <View style={styles.ways}>
        <Action compact mode="contained" onPress={onDone}>
          Done
        </Action>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 8, paddingVertical: 4 },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 6 },
  field: { flex: 1, minWidth: 120, height: 46 },
  ways: { flexDirection: 'row', justifyContent: 'flex-end' },
});

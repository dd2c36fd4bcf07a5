import { isDay, LONGEST_TASK_WORD, type Task } from '@marginalis/core/document';
import { type ReactNode, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { Action, DayInput, FONT, ToggleChip } from '@/ui';

export const NO_TASK: Task = { kind: '', title: '', who: '', until: null, begun: false };

/** Kinds that are offered before a document has its own. */
const USUAL_KINDS = ['Correction', 'Question', 'Check'];
/** Names and kinds that are offered at once. */
const OFFERED = 5;

/** What is to be done, by whom and until when, as it is filled in. */
export function TaskFields(props: {
  label: string;
  task: Task;
  /** Kinds and people that the document's tasks have already. */
  kinds: readonly string[];
  people: readonly string[];
  onKeep: (task: Task) => void;
  onLeave: () => void;
  /** What else is filled in. */
  children?: ReactNode;
}) {
  const { label, task, kinds, people, onKeep, onLeave } = props;
  const { colors } = useTheme();
  const [draft, setDraft] = useState(task);
  const keep = (): void => onKeep(draft);
  const set = (part: Partial<Task>): void => setDraft({ ...draft, ...part });
  const field = (name: 'kind' | 'title' | 'who', said: string) => (
    <TextInput
      mode="outlined"
      dense
      label={said}
      accessibilityLabel={said}
      value={draft[name]}
      maxLength={LONGEST_TASK_WORD}
      onChangeText={(text) => set({ [name]: text })}
      onSubmitEditing={keep}
      style={[styles.field, { backgroundColor: colors.surface }]}
    />
  );
  const offers = (name: 'kind' | 'who', words: readonly string[]) => (
    <View style={styles.row}>
      {words.slice(0, OFFERED).map((word) => (
        <ToggleChip
          key={word}
          label={word}
          on={draft[name] === word}
          onPress={() => set({ [name]: draft[name] === word ? '' : word })}
        />
      ))}
    </View>
  );
  return (
    <View role="group" aria-label={label} style={styles.all}>
      {field('title', 'To do (else as the note says)')}
      <View style={styles.pair}>
        {field('kind', 'Kind')}
        {field('who', 'Who')}
      </View>
      {offers('kind', [...new Set([...kinds, ...USUAL_KINDS])])}
      {people.length > 0 && offers('who', people)}
      <View style={styles.pair}>
        <Text variant="labelLarge">Until</Text>
        <DayInput
          label="Until"
          value={draft.until ?? ''}
          colours={{ ink: colors.onSurface, frame: colors.outline, ground: colors.surface }}
          font={FONT.text}
          onChange={(day) => set({ until: isDay(day) ? day : null })}
        />
        <ToggleChip label="Begun" on={draft.begun} onPress={() => set({ begun: !draft.begun })} />
      </View>
      {props.children}
      <View style={styles.ways}>
        <Action compact onPress={onLeave}>
          Leave it
        </Action>
        <Action compact mode="contained" onPress={keep}>
          Keep
        </Action>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 8, paddingVertical: 4 },
  field: { height: 46, flexGrow: 1, flexShrink: 1, minWidth: 0 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  pair: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  ways: { flexDirection: 'row', justifyContent: 'flex-end', gap: 4 },
});

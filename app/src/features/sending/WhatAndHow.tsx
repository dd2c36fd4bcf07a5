import { StyleSheet, View } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { Choices } from '@/ui';
import type { Asked } from './asked';

/** What is to leave, and as what. */
export function WhatAndHow(props: {
  asked: Asked;
  /** Why no pages are named, in words; null where some are. */
  trouble: string | null;
  /** How many pages carry marks, and how many notes there are. */
  marked: number;
  notes: number;
  onChange: (part: Partial<Asked>) => void;
}) {
  const { asked, trouble, marked, notes, onChange } = props;
  const { colors } = useTheme();
  return (
    <View style={styles.all}>
      <Choices
        label="What"
        value={asked.what}
        onChange={(what) => onChange({ what })}
        choices={[
          { value: 'whole', label: 'The whole document' },
          { value: 'marked', label: `Pages with marks (${marked})` },
          { value: 'here', label: 'This page' },
          { value: 'some', label: 'Pages …' },
        ]}
      />
      {asked.what === 'some' && (
        <TextInput
          mode="outlined"
          dense
          label="Pages"
          accessibilityLabel="Pages"
          placeholder="2-5, 9"
          value={asked.typed}
          maxLength={200}
          onChangeText={(typed) => onChange({ typed })}
          style={{ backgroundColor: colors.surface }}
        />
      )}
      {trouble && (
        <Text role="status" style={{ color: colors.onSurfaceVariant }}>
          {trouble}
        </Text>
      )}
      <Choices
        label="As"
        value={asked.as}
        onChange={(as) => onChange({ as })}
        choices={[
          { value: 'fixed', label: 'A fixed copy' },
          { value: 'markdown', label: 'Notes as text' },
          { value: 'table', label: 'Notes as a table' },
        ]}
      />
      {asked.as === 'fixed' && notes > 0 && (
        <Choices
          label={notes === 1 ? 'Its note' : `Its ${notes} notes`}
          value={asked.notes}
          onChange={(where) => onChange({ notes: where })}
          choices={[
            { value: 'beside', label: 'Beside the page' },
            { value: 'end', label: 'At the end' },
            { value: 'none', label: 'Left out' },
          ]}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({ all: { gap: 12 } });

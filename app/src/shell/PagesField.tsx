import { pageRanges } from '@marginalis/core/leaving';
import { type ReactNode, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { Action, Field } from '@/ui';

/** Pages as somebody names them: `2-5, 9`. What names none is told. */
export function PagesField(props: {
  label: string;
  /** What the pages are called, in order. */
  names: readonly string[];
  /** Says what its button does; without one they are taken on leaving the field. */
  action?: string;
  /** From 0, in the order of the document. */
  onPages: (pages: readonly number[]) => void;
  /** What stands beside it. */
  children?: ReactNode;
}) {
  const { label, names, action, onPages, children } = props;
  const { colors } = useTheme();
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState('');
  const take = (): void => {
    if (typed.trim() === '') return;
    const named = pageRanges(typed, names);
    setTrouble(named.ok ? '' : named.reason);
    if (named.ok) onPages(named.pages);
  };
  return (
    <View style={styles.all}>
      <View style={styles.row}>
        <Field
          label={label}
          placeholder="2-5, 9"
          value={typed}
          maxLength={200}
          style={styles.field}
          onChangeText={(text) => {
            setTyped(text);
            setTrouble('');
          }}
          onSubmitEditing={take}
          onBlur={action === undefined ? take : undefined}
        />
        {action !== undefined && (
          <Action mode="outlined" disabled={typed.trim() === ''} onPress={take}>
            {action}
          </Action>
        )}
        {children}
      </View>
      {trouble !== '' && (
        <Text role="alert" style={{ color: colors.error }}>
          {trouble}
        </Text>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { flex: 1, minWidth: 0, gap: 4 },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
  field: { flex: 1, minWidth: 120 },
});

import { LONGEST_REMARK } from '@marginalis/core/document';
import { useEffect, useRef } from 'react';
import { StyleSheet, type TextInput as NativeInput, View } from 'react-native';
import { TextInput, useTheme } from 'react-native-paper';
import { Action } from '@/ui';

/** A remark while it is typed: Ctrl and Enter keep it. */
export function NoteField(props: {
  label: string;
  text: string;
  onText: (text: string) => void;
  /** What keeping it is called. */
  keep: string;
  onKeep: () => void;
  onLeave: () => void;
}) {
  const { label, text, onText, keep, onKeep, onLeave } = props;
  const { colors } = useTheme();
  const field = useRef<NativeInput>(null);
  useEffect(() => {
    field.current?.focus();
  }, []);
  return (
    <View style={styles.all}>
      <TextInput
        ref={field}
        mode="outlined"
        multiline
        accessibilityLabel={label}
        placeholder={label}
        value={text}
        maxLength={LONGEST_REMARK}
        onChangeText={onText}
        onKeyPress={(e) => {
          const { key, ctrlKey, metaKey } = e.nativeEvent as unknown as KeyboardEvent;
          if (key !== 'Enter' || !(ctrlKey || metaKey)) return;
          e.preventDefault();
          onKeep();
        }}
        style={[styles.field, { backgroundColor: colors.surface }]}
      />
      <View style={styles.ways}>
        <Action compact onPress={onLeave}>
          Leave it
        </Action>
        <Action compact mode="contained" disabled={text.trim() === ''} onPress={onKeep}>
          {keep}
        </Action>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 4 },
  field: { minHeight: 88, maxHeight: 240 },
  ways: { flexDirection: 'row', justifyContent: 'flex-end', gap: 4 },
});

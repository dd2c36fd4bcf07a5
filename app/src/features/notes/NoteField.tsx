import { InkPad } from '@/shell';
import { LONGEST_REMARK } from '@marginalis/core/document';
import type { InkMark } from '@marginalis/core/kinds';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, type TextInput as NativeInput, View } from 'react-native';
import { TextInput, useTheme } from 'react-native-paper';
import { Action, IconAction } from '@/ui';
import { ReadIt } from './written/ReadIt';

/** What is said in a remark, until it is kept. */
export interface Said {
  readonly text: string;
  /** Written with the pen. */
  readonly ink: readonly InkMark[];
}

/** A remark while it is typed or written: Ctrl and Enter keep it. */
export function NoteField(props: {
  label: string;
  said: Said;
  onSaid: (said: Said) => void;
  /** What keeping it is called. */
  keep: string;
  onKeep: () => void;
  onLeave: () => void;
}) {
  const { label, said, onSaid, keep, onKeep, onLeave } = props;
  const { text, ink } = said;
  const [isWriting, setWriting] = useState(ink.length > 0);
  const { colors } = useTheme();
  const field = useRef<NativeInput>(null);
  useEffect(() => {
    field.current?.focus();
  }, []);
  return (
    <View style={styles.all}>
      {isWriting && (
        <InkPad
          label={`${label}, written`}
          ink={ink}
          onInk={(next) => onSaid({ ...said, ink: next })}
        >
          <ReadIt ink={ink} onRead={(read) => onSaid({ ...said, text: read })} />
        </InkPad>
      )}
      <TextInput
        ref={field}
        mode="outlined"
        multiline
        accessibilityLabel={isWriting ? `${label}, typed` : label}
        placeholder={isWriting ? 'What is written, typed, so that it is found' : label}
        value={text}
        maxLength={LONGEST_REMARK}
        onChangeText={(next) => onSaid({ ...said, text: next })}
        onKeyPress={(e) => {
          const { key, ctrlKey, metaKey } = e.nativeEvent as unknown as KeyboardEvent;
          if (key !== 'Enter' || !(ctrlKey || metaKey)) return;
          e.preventDefault();
          onKeep();
        }}
        style={[isWriting ? styles.reading : styles.field, { backgroundColor: colors.surface }]}
      />
      <View style={styles.ways}>
        <IconAction
          icon="pen"
          size={20}
          label={isWriting ? 'Without a sheet to write on' : 'Write with the pen'}
          on={isWriting}
          // What is written is not put away unseen: it is cleared first.
          disabled={ink.length > 0}
          onPress={() => setWriting(!isWriting)}
        />
        <View style={styles.room} />
        <Action compact onPress={onLeave}>
          Leave it
        </Action>
        <Action
          compact
          mode="contained"
          disabled={text.trim() === '' && ink.length === 0}
          onPress={onKeep}
        >
          {keep}
        </Action>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 4 },
  field: { minHeight: 88, maxHeight: 240 },
  reading: { minHeight: 46, maxHeight: 120 },
  room: { flex: 1 },
  ways: { flexDirection: 'row', alignItems: 'center', gap: 4 },
});

import type { Remark, Thread } from '@marginalis/core/document';
import { removeAnswer, removeNote } from '@marginalis/core/editing';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Menu, Text, useTheme } from 'react-native-paper';
import { type NoteInWords, useSession, useSessionState } from '@/session';
import { MenuButton, paperIcon } from '@/ui';

interface RemarkRowProps {
  readonly thread: Thread;
  readonly remark: Remark;
  readonly said: NoteInWords['remarks'][number];
  /** The note's number. */
  readonly number: number;
  readonly onChange: () => void;
  /** Shown in place of its text while that is changed. */
  readonly field: ReactNode;
}

/** A remark of a note: the note itself, or an answer that stands in. */
export function RemarkRow({ thread, remark, said, number, onChange, field }: RemarkRowProps) {
  const session = useSession();
  const writable = useSessionState((s) => s.writable);
  const { colors } = useTheme();
  const place = thread.remarks.indexOf(remark);
  const isNote = place === 0;
  const remove = (): void =>
    void session.dispatch(
      isNote ? removeNote(session.store.getState().document, thread) : removeAnswer(thread, remark),
    );
  return (
    <View style={!isNote && [styles.answer, { borderColor: colors.outline }]}>
      <View style={styles.row}>
        <Text variant="bodySmall" style={[styles.by, { color: colors.onSurfaceVariant }]}>
          {said.by}
        </Text>
        {writable && (
          <MenuButton icon="more" label={`More for remark ${place + 1} of note ${number}`}>
            {(close) => (
              <>
                <Menu.Item
                  title="Change"
                  leadingIcon={paperIcon('rename')}
                  onPress={() => {
                    close();
                    onChange();
                  }}
                />
                <Menu.Item
                  title={isNote ? 'Remove the note' : 'Remove the answer'}
                  leadingIcon={paperIcon('remove')}
                  onPress={() => {
                    close();
                    remove();
                  }}
                />
              </>
            )}
          </MenuButton>
        )}
      </View>
      {field ?? (
        <Text variant="bodyMedium" {...{ dir: 'auto' }}>
          {said.text}
        </Text>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center' },
  by: { flex: 1, minWidth: 0 },
  answer: { borderLeftWidth: 2, paddingLeft: 8 },
});

import type { Remark, Thread } from '@marginalis/core/document';
import { removeAnswer, removeNote } from '@marginalis/core/editing';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { type NoteInWords, useSession, useSessionState } from '@/session';
import { MenuButton, MenuItems, type MenuWay } from '@/ui';
import { RemarkText } from './RemarkText';
import { WrittenInk } from './written/WrittenInk';

interface RemarkRowProps {
  readonly thread: Thread;
  readonly remark: Remark;
  readonly said: NoteInWords['remarks'][number];
  /** The note's number. */
  readonly number: number;
  readonly onChange: () => void;
  /** What else can be done with the note; only in its own row. */
  readonly ways: readonly MenuWay[];
  /** Shown in place of its text while that is changed. */
  readonly field: ReactNode;
}

/** A remark of a note: the note itself, or an answer that stands in. */
export function RemarkRow(props: RemarkRowProps) {
  const { thread, remark, said, number, onChange, ways, field } = props;
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
              <MenuItems
                close={close}
                ways={[
                  { title: 'Change', icon: 'rename', run: onChange },
                  ...(isNote ? ways : []),
                  {
                    title: isNote ? 'Remove the note' : 'Remove the answer',
                    icon: 'remove',
                    run: remove,
                  },
                ]}
              />
            )}
          </MenuButton>
        )}
      </View>
      {field ?? (
        <>
          {remark.ink && (
            <WrittenInk ink={remark.ink} label={`Remark ${place + 1} of note ${number}, written`} />
          )}
          {said.text !== '' && <RemarkText text={said.text} />}
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center' },
  by: { flex: 1, minWidth: 0 },
  answer: { borderLeftWidth: 2, paddingLeft: 8 },
});

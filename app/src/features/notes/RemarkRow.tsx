import type { Remark, Thread } from '@marginalis/core/document';
import { removeAnswer, removeNote } from '@marginalis/core/editing';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Menu, Text, useTheme } from 'react-native-paper';
import { type NoteInWords, useSession, useSessionState } from '@/session';
import { type IconName, MenuButton, paperIcon } from '@/ui';
import { RemarkText } from './RemarkText';
import { WrittenInk } from './written/WrittenInk';

/** Something that can be done with a note. */
export interface NoteWay {
  readonly title: string;
  readonly icon: IconName;
  readonly run: () => void;
}

interface RemarkRowProps {
  readonly thread: Thread;
  readonly remark: Remark;
  readonly said: NoteInWords['remarks'][number];
  /** The note's number. */
  readonly number: number;
  readonly onChange: () => void;
  /** What else can be done with the note; only in its own row. */
  readonly ways: readonly NoteWay[];
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
              <>
                <Menu.Item
                  title="Change"
                  leadingIcon={paperIcon('rename')}
                  onPress={() => {
                    close();
                    onChange();
                  }}
                />
                {isNote &&
                  ways.map(({ title, icon, run }) => (
                    <Menu.Item
                      key={title}
                      title={title}
                      leadingIcon={paperIcon(icon)}
                      onPress={() => {
                        close();
                        run();
                      }}
                    />
                  ))}
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

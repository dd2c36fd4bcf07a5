import type { ListedNote } from '@marginalis/core/derived';
import type { Remark } from '@marginalis/core/document';
import { answerNote, reopenNote, rewordRemark, settleNote } from '@marginalis/core/editing';
import { memo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { noteInWords, useSession, useSessionState, useSettings } from '@/session';
import { Action, IconAction } from '@/ui';
import { NoteField } from './NoteField';
import { RemarkRow } from './RemarkRow';

/** What is typed: a change of one of the remarks, or an answer. */
interface Typed {
  readonly remark: Remark | null;
  readonly text: string;
}

interface NoteCardProps {
  readonly note: ListedNote;
  /** What a page, from 0, is called. */
  readonly nameOf: (page: number) => string;
  readonly chosen: boolean;
  readonly onJump: (note: ListedNote) => void;
  /** Folds it, where it can be folded. */
  readonly onFold?: () => void;
}

/** A note with its answers, and what can be done with it. */
export const NoteCard = memo(function NoteCard(props: NoteCardProps) {
  const { note, nameOf, chosen, onJump, onFold } = props;
  const { thread, number } = note;
  const session = useSession();
  const writable = useSessionState((s) => s.writable);
  const author = useSettings((s) => s.author);
  const { colors } = useTheme();
  const [typed, setTyped] = useState<Typed | null>(null);
  const words = noteInWords(note, nameOf);
  const keep = ({ remark, text }: Typed): void => {
    const now = Date.now();
    const answer = { id: crypto.randomUUID(), author, text, madeAt: now };
    session.dispatch(remark ? rewordRemark(thread, remark, text, now) : answerNote(thread, answer));
    setTyped(null);
  };
  const field = (label: string, keeping: string, { remark, text }: Typed) => (
    <NoteField
      label={label}
      text={text}
      onText={(next) => setTyped({ remark, text: next })}
      keep={keeping}
      onKeep={() => keep({ remark, text })}
      onLeave={() => setTyped(null)}
    />
  );
  return (
    <View
      role="article"
      aria-label={`Note ${number}`}
      aria-current={chosen}
      style={[
        styles.card,
        { borderColor: chosen ? colors.primary : colors.outlineVariant },
        { backgroundColor: colors.surface },
      ]}
    >
      <View style={styles.top}>
        <Pressable
          role="button"
          accessibilityLabel={`Go to note ${number}`}
          disabled={!note.about}
          onPress={() => onJump(note)}
          style={styles.head}
        >
          <Text variant="labelLarge" style={{ color: colors.primary }}>
            {number}
          </Text>
          <Text
            variant="bodySmall"
            numberOfLines={2}
            style={[styles.about, { color: colors.onSurfaceVariant }]}
          >
            {words.about}
          </Text>
        </Pressable>
        {onFold && (
          <IconAction icon="minus" size={18} label={`Fold note ${number}`} onPress={onFold} />
        )}
      </View>
      {thread.remarks.map((remark, k) => (
        <RemarkRow
          key={remark.id}
          thread={thread}
          remark={remark}
          said={words.remarks[k]}
          number={number}
          onChange={() => setTyped({ remark, text: remark.text })}
          field={
            typed?.remark?.id === remark.id
              ? field(`What remark ${k + 1} says`, 'Change', typed)
              : null
          }
        />
      ))}
      {typed?.remark === null && field(`Answer to note ${number}`, 'Answer', typed)}
      {words.settled !== '' && (
        <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
          {words.settled}
        </Text>
      )}
      {writable && !typed && (
        <View style={styles.ways}>
          {thread.settled ? (
            <Action compact onPress={() => session.dispatch(reopenNote(thread))}>
              Open again
            </Action>
          ) : (
            <>
              <Action compact onPress={() => setTyped({ remark: null, text: '' })}>
                Answer
              </Action>
              <Action
                compact
                onPress={() => session.dispatch(settleNote(thread, author, Date.now()))}
              >
                Settle
              </Action>
            </>
          )}
        </View>
      )}
    </View>
  );
});

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: 6, paddingHorizontal: 10, paddingVertical: 4, gap: 4 },
  top: { flexDirection: 'row', alignItems: 'center' },
  head: { flex: 1, minWidth: 0, flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 44 },
  about: { flex: 1, minWidth: 0 },
  ways: { flexDirection: 'row', justifyContent: 'flex-end' },
});

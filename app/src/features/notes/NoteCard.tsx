import type { ListedNote } from '@marginalis/core/derived';
import type { Remark } from '@marginalis/core/document';
import {
  answerNote,
  reopenNote,
  rewordRemark,
  setTask,
  settleNote,
} from '@marginalis/core/editing';
import { memo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { noteInWords, useSession, useSessionState, useSettings } from '@/session';
import { useReader } from '@/shell';
import { Action, IconAction, type MenuWay } from '@/ui';
import { LabelFields } from './labels/LabelFields';
import { Labels } from './labels/Labels';
import { moveTo } from './moveTo';
import { NoteField, type Said } from './NoteField';
import { RemarkRow } from './RemarkRow';
import { TaskLine } from './tasks/TaskLine';
import { TaskOfNote } from './tasks/TaskOfNote';
import { TaskPicture } from './tasks/TaskPicture';

/** A task's picture is no higher, CSS pixels. */
const PICTURE = 160;

/** What stands open in a card beside what it says. */
type Open = 'task' | 'labels' | null;

/** What is typed: a change of one of the remarks, or an answer. */
interface Typed {
  readonly remark: Remark | null;
  readonly said: Said;
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
  const [open, setOpen] = useState<Open>(null);
  const reader = useReader();
  const tags = useSessionState((s) => s.document.tags);
  const picture = useSessionState((s) => s.document.attachments.get(thread.task?.picture ?? ''));
  const words = noteInWords(note, nameOf, tags);
  const keep = ({ remark, said }: Typed): void => {
    const now = Date.now();
    const answer = { id: crypto.randomUUID(), author, ...said, madeAt: now };
    const asked = remark ? rewordRemark(thread, remark, said, now) : answerNote(thread, answer);
    // What the document does not take stays in the field.
    if (!asked || session.dispatch(asked)) setTyped(null);
  };
  const field = (label: string, keeping: string, { remark, said }: Typed) => (
    <NoteField
      label={label}
      said={said}
      onSaid={(next) => setTyped({ remark, said: next })}
      keep={keeping}
      onKeep={() => keep({ remark, said })}
      onLeave={() => setTyped(null)}
    />
  );
  const ways: readonly MenuWay[] = [
    {
      title: thread.task ? 'Change the task' : 'Make it a task',
      icon: 'check',
      run: () => setOpen('task'),
    },
    ...(thread.task
      ? [
          {
            title: 'No longer a task',
            icon: 'undo',
            run: () => void session.dispatch(setTask(thread, null)),
          } as const,
        ]
      : []),
    { title: 'Labels', icon: 'label', run: () => setOpen('labels') },
    { title: 'Move it elsewhere', icon: 'right', run: () => moveTo(reader, thread) },
  ];
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
      {words.task !== '' && open !== 'task' && <TaskLine note={note} />}
      {picture && open !== 'task' && <TaskPicture picture={picture} tallest={PICTURE} />}
      {open === 'task' && <TaskOfNote note={note} onDone={() => setOpen(null)} />}
      {thread.remarks.map((remark, k) => (
        <RemarkRow
          key={remark.id}
          thread={thread}
          remark={remark}
          said={words.remarks[k]}
          number={number}
          ways={ways}
          onChange={() => setTyped({ remark, said: { text: remark.text, ink: remark.ink ?? [] } })}
          field={
            typed?.remark?.id === remark.id
              ? field(`What remark ${k + 1} says`, 'Change', typed)
              : null
          }
        />
      ))}
      {open === 'labels' ? (
        <LabelFields
          thread={thread}
          label={`Labels of note ${number}`}
          onDone={() => setOpen(null)}
        />
      ) : (
        <Labels thread={thread} />
      )}
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
              <Action
                compact
                onPress={() => setTyped({ remark: null, said: { text: '', ink: [] } })}
              >
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

import { reopenNote, settleNote } from '@marginalis/core/editing';
import { isOverdue, type ListedTask } from '@marginalis/core/tasks';
import { memo } from 'react';
import { Image, Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { dayInWords, useSession, useSessionState, useSettings } from '@/session';
import { CheckBox } from '@/ui';
import { addressOf } from './taskPicture';

interface TaskRowProps {
  readonly task: ListedTask;
  readonly page: string;
  readonly today: string;
  readonly writable: boolean;
  readonly onJump: (task: ListedTask) => void;
}

/** A task in the list of all: done or not, what, who, until when; it leads to its note. */
export const TaskRow = memo(function TaskRow(props: TaskRowProps) {
  const { task, page, today, writable, onJump } = props;
  const { note, title, state } = task;
  const { kind, who, until } = task.task;
  const session = useSession();
  const picture = useSessionState((s) => s.document.attachments.get(task.task.picture ?? ''));
  const author = useSettings((s) => s.author);
  const { colors } = useTheme();
  const isDone = state === 'done';
  const isLate = isOverdue(task, today);
  const aside = [
    kind,
    who,
    until && (isLate ? `late, until ${dayInWords(until)}` : `until ${dayInWords(until)}`),
    state === 'begun' && 'begun',
    page && `page ${page}`,
  ];
  const turn = (): void => {
    const { thread } = note;
    session.dispatch(isDone ? reopenNote(thread) : settleNote(thread, author, Date.now()));
  };
  return (
    <View role="listitem" style={[styles.row, { borderColor: colors.outlineVariant }]}>
      <CheckBox
        label={`Done: ${title}`}
        hint={isDone ? 'Open again' : 'Done'}
        on={isDone}
        disabled={!writable}
        onPress={turn}
      />
      <Pressable
        role="button"
        accessibilityLabel={`Go to task ${note.number}: ${title}`}
        onPress={() => onJump(task)}
        style={styles.said}
      >
        <Text
          variant="bodyMedium"
          numberOfLines={2}
          style={isDone && { color: colors.onSurfaceVariant, textDecorationLine: 'line-through' }}
          {...{ dir: 'auto' }}
        >
          {title}
        </Text>
        <Text
          variant="bodySmall"
          numberOfLines={2}
          style={{ color: isLate ? colors.error : colors.onSurfaceVariant }}
        >
          {aside.filter(Boolean).join(' · ')}
        </Text>
      </Pressable>
      {picture && (
        <Image
          source={{ uri: addressOf(picture) }}
          accessibilityLabel={picture.name}
          resizeMode="contain"
          style={styles.picture}
        />
      )}
    </View>
  );
});

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1, paddingVertical: 4 },
  picture: { width: 72, height: 48, borderRadius: 3, backgroundColor: '#ffffff' },
  said: { flex: 1, minWidth: 0, minHeight: 44, justifyContent: 'center', gap: 2 },
});

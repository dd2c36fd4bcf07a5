import { listNotes } from '@marginalis/core/derived';
import { type ListedTask, listTasks } from '@marginalis/core/tasks';
import { useCallback, useMemo } from 'react';
import { FlatList, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';
import { readTracker } from '@/remote';
import { usePageNames, useSession, useSessionState } from '@/session';
import { goToMark, useReader } from '@/shell';
import { MenuButton, MenuItems, type MenuWay, useNow } from '@/ui';
import { notesHeld } from '../notesHeld';
import { TaskRow } from './TaskRow';
import { sendToTracker, takeOutCalendar, takeOutTable } from './taskWays';
import { today } from './today';

/** What notes ask to be done, by the day until when; and how that leaves for other programs. */
export function TasksPanel() {
  const reader = useReader();
  const { colors } = useTheme();
  const notes = useSessionState((s) => listNotes(s.document));
  const writable = useSessionState((s) => s.writable);
  const isRead = useSessionState((s) => s.phase !== 'opening');
  const nameOf = usePageNames();
  const day = today(new Date(useNow()));
  const tasks = useMemo(() => listTasks(notes), [notes]);
  const open = tasks.filter(({ state }) => state !== 'done').length;
  const jump = useCallback(
    ({ note }: ListedTask): void => {
      notesHeld.setState({ chosen: note.thread.id });
      if (note.about) goToMark(reader, note.about);
    },
    [reader],
  );
  return (
    <View style={styles.panel}>
      <View style={styles.row}>
        <Text
          variant="bodySmall"
          role="status"
          style={[styles.said, { color: colors.onSurfaceVariant }]}
        >
          {!isRead
            ? 'Reading the notes …'
            : tasks.length === 0
              ? 'Nothing is to be done yet. Any note can be made a task: More, on its card.'
              : `${tasks.length === 1 ? '1 task' : `${tasks.length} tasks`}, ${open === 0 ? 'all done' : `${open} to do`}`}
        </Text>
        {tasks.length > 0 && <WaysOut />}
      </View>
      <FlatList
        data={tasks}
        keyExtractor={({ note }) => note.thread.id}
        initialNumToRender={12}
        windowSize={7}
        role="list"
        accessibilityLabel="Tasks of the document"
        style={styles.list}
        renderItem={({ item }) => (
          <TaskRow
            task={item}
            page={item.note.about ? nameOf(item.note.about.page) : ''}
            today={day}
            writable={writable}
            onJump={jump}
          />
        )}
      />
    </View>
  );
}

/** Where tasks can go: files, and the tracker where one is set. */
function WaysOut() {
  const session = useSession();
  const nameOf = usePageNames();
  // Without the network there is none; files can be taken out all the same.
  const { data } = useSWR('tracker', readTracker, { shouldRetryOnError: false });
  const host = data?.tracker;
  const ways: readonly MenuWay[] = [
    { title: 'As a table (CSV)', icon: 'download', run: () => takeOutTable(session, nameOf) },
    {
      title: 'For a calendar (iCalendar)',
      icon: 'download',
      run: () => takeOutCalendar(session, nameOf),
    },
    ...(host
      ? [
          {
            title: `To the tracker at ${host}`,
            icon: 'send',
            run: () => void sendToTracker(session, nameOf, host),
          } as const,
        ]
      : []),
  ];
  return (
    <MenuButton icon="send" label="Take the tasks out">
      {(close) => <MenuItems ways={ways} close={close} />}
    </MenuButton>
  );
}

const styles = StyleSheet.create({
  panel: { flex: 1, minHeight: 0, gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  said: { flex: 1, minWidth: 0 },
  list: { flex: 1 },
});

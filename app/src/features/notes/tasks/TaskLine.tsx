import type { ListedNote } from '@marginalis/core/derived';
import { isOverdue, listTasks } from '@marginalis/core/tasks';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { taskInWords } from '@/session';
import { Icon } from '@/ui';
import { today } from './today';

/** What is to be done about a note, in a line. */
export function TaskLine({ note }: { note: ListedNote }) {
  const { colors } = useTheme();
  const [task] = listTasks([note]);
  if (!task) return null;
  const late = isOverdue(task, today());
  const colour = late ? colors.error : colors.onSurfaceVariant;
  return (
    <View style={styles.line}>
      <Icon name="check" size={16} color={colour} />
      <Text variant="bodySmall" style={[styles.text, { color: colour }]} {...{ dir: 'auto' }}>
        {taskInWords(task.task, task.state === 'done')}
        {late && ' · late'}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: 6 },
  text: { flex: 1, minWidth: 0 },
});

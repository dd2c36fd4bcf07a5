import { type ListedNote, plainRemark, remarkInWords } from '@marginalis/core/derived';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { WrittenInk } from './written/WrittenInk';
import { TaskLine } from './tasks/TaskLine';

/** So much of what is written is seen while it is folded, and in one line, CSS pixels. */
const WRITTEN = 48;
const WRITTEN_BRIEF = 24;

/** A note folded to what is said first, and how much follows; it opens where it stands. */
export const FoldedCard = memo(function FoldedCard({
  note,
  lit,
  brief = false,
  onOpen,
}: {
  note: ListedNote;
  lit: boolean;
  /** In one line, where many stand close together. */
  brief?: boolean;
  onOpen: (note: ListedNote) => void;
}) {
  const { thread, number } = note;
  const { colors } = useTheme();
  const tags = useSessionState((s) => s.document.tags);
  const [first, ...answers] = thread.remarks;
  const { author, text, ink } = first;
  const aside = [
    author,
    answers.length === 1 ? '1 answer' : answers.length > 1 ? `${answers.length} answers` : '',
    thread.settled ? 'Settled' : '',
    ...thread.tags.map((id) => tags.get(id)?.name ?? ''),
  ].filter((part) => part !== '');
  return (
    <View role="article" aria-label={`Note ${number}`}>
      <Pressable
        role="button"
        aria-expanded={false}
        accessibilityLabel={`Open note ${number}: ${remarkInWords(first).slice(0, 80)}`}
        onPress={() => onOpen(note)}
        style={[
          styles.card,
          brief && styles.brief,
          { borderColor: lit ? colors.primary : colors.outlineVariant },
          { backgroundColor: colors.surface },
        ]}
      >
        <Text variant="labelLarge" style={{ color: colors.primary }}>
          {number}
        </Text>
        <View style={styles.said}>
          {ink && (
            <WrittenInk
              ink={ink}
              label={`Note ${number}, written`}
              most={brief ? WRITTEN_BRIEF : WRITTEN}
            />
          )}
          {text !== '' && (
            <Text
              variant="bodyMedium"
              numberOfLines={brief ? 1 : 2}
              style={thread.settled ? { color: colors.onSurfaceVariant } : undefined}
              {...{ dir: 'auto' }}
            >
              {plainRemark(text)}
            </Text>
          )}
          {!brief && <TaskLine note={note} />}
          {!brief && aside.length > 0 && (
            <Text variant="bodySmall" numberOfLines={1} style={{ color: colors.onSurfaceVariant }}>
              {aside.join(' · ')}
            </Text>
          )}
        </View>
      </Pressable>
    </View>
  );
});

const styles = StyleSheet.create({
  card: {
    minHeight: 44,
    width: '100%',
    borderWidth: 1,
    borderRadius: 6,
    paddingHorizontal: 10,
    paddingVertical: 8,
    flexDirection: 'row',
    gap: 8,
  },
  brief: { minHeight: 32, paddingVertical: 4 },
  said: { flex: 1, minWidth: 0 },
});

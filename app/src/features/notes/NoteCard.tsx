import type { ListedNote } from '@marginalis/core/derived';
import type { Remark } from '@marginalis/core/document';
import {
  answerNote,
  removeAnswer,
  removeNote,
  reopenNote,
  rewordRemark,
  settleNote,
} from '@marginalis/core/editing';
import { memo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Menu, Text, useTheme } from 'react-native-paper';
import { useSession, useSessionState, useSettings } from '@/session';
import { Action, MenuButton, paperIcon } from '@/ui';
import { NoteField } from './NoteField';

const timeOf = (time: number): string =>
  new Date(time).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

/** Which remark is typed: an answer when it is none of those there are. */
type Typed = { readonly remark: Remark | null; readonly text: string } | null;

interface NoteCardProps {
  readonly note: ListedNote;
  /** What its page is called. */
  readonly page: string;
  readonly chosen: boolean;
  readonly onJump: (note: ListedNote) => void;
}

/** A note with its answers, and what can be done with it. */
export const NoteCard = memo(function NoteCard({ note, page, chosen, onJump }: NoteCardProps) {
  const { thread, number, about } = note;
  const session = useSession();
  const writable = useSessionState((s) => s.writable);
  const author = useSettings((s) => s.author);
  const { colors } = useTheme();
  const [typed, setTyped] = useState<Typed>(null);
  const keep = (): void => {
    if (!typed) return;
    const { remark, text } = typed;
    const madeAt = Date.now();
    const id = crypto.randomUUID();
    session.dispatch(
      remark
        ? rewordRemark(thread, remark, text, madeAt)
        : answerNote(thread, { id, author, text, madeAt }),
    );
    setTyped(null);
  };
  const what = about
    ? `Page ${page}${about.words.text === '' ? '' : ` · “${about.words.text}”`}`
    : 'What it was about is gone from the page.';
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
      <Pressable
        role="button"
        accessibilityLabel={`Go to note ${number}`}
        disabled={!about}
        onPress={() => onJump(note)}
        style={styles.head}
      >
        <Text variant="labelLarge" style={{ color: colors.primary }}>
          {number}
        </Text>
        <Text
          variant="bodySmall"
          numberOfLines={2}
          style={[styles.what, { color: colors.onSurfaceVariant }]}
        >
          {what}
        </Text>
      </Pressable>
      {thread.remarks.map((remark, k) => (
        <View key={remark.id} style={k > 0 && [styles.answer, { borderColor: colors.outline }]}>
          <View style={styles.row}>
            <Text variant="bodySmall" style={[styles.what, { color: colors.onSurfaceVariant }]}>
              {[remark.author, timeOf(remark.madeAt), remark.editedAt !== null && 'changed']
                .filter(Boolean)
                .join(' · ')}
            </Text>
            {writable && (
              <MenuButton icon="more" label={`More for remark ${k + 1} of note ${number}`}>
                {(close) => (
                  <>
                    <Menu.Item
                      title="Change"
                      leadingIcon={paperIcon('rename')}
                      onPress={() => {
                        close();
                        setTyped({ remark, text: remark.text });
                      }}
                    />
                    <Menu.Item
                      title={k === 0 ? 'Remove the note' : 'Remove the answer'}
                      leadingIcon={paperIcon('remove')}
                      onPress={() => {
                        close();
                        session.dispatch(
                          k === 0
                            ? removeNote(session.store.getState().document, thread)
                            : removeAnswer(thread, remark),
                        );
                      }}
                    />
                  </>
                )}
              </MenuButton>
            )}
          </View>
          {typed?.remark?.id === remark.id ? (
            <NoteField
              label={`What remark ${k + 1} says`}
              text={typed.text}
              onText={(text) => setTyped({ remark, text })}
              keep="Change"
              onKeep={keep}
              onLeave={() => setTyped(null)}
            />
          ) : (
            <Text variant="bodyMedium" {...{ dir: 'auto' }}>
              {remark.text}
            </Text>
          )}
        </View>
      ))}
      {typed && typed.remark === null && (
        <NoteField
          label={`Answer to note ${number}`}
          text={typed.text}
          onText={(text) => setTyped({ remark: null, text })}
          keep="Answer"
          onKeep={keep}
          onLeave={() => setTyped(null)}
        />
      )}
      {thread.settled && (
        <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
          {['Settled', thread.settled.by && `by ${thread.settled.by}`, timeOf(thread.settled.at)]
            .filter(Boolean)
            .join(' ')}
        </Text>
      )}
      {writable && !typed && (
        <View style={styles.ways}>
          {!thread.settled && (
            <Action compact onPress={() => setTyped({ remark: null, text: '' })}>
              Answer
            </Action>
          )}
          <Action
            compact
            onPress={() =>
              session.dispatch(
                thread.settled ? reopenNote(thread) : settleNote(thread, author, Date.now()),
              )
            }
          >
            {thread.settled ? 'Open again' : 'Settle'}
          </Action>
        </View>
      )}
    </View>
  );
});

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: 6, paddingHorizontal: 10, paddingVertical: 4, gap: 4 },
  head: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 44 },
  what: { flex: 1, minWidth: 0 },
  row: { flexDirection: 'row', alignItems: 'center' },
  answer: { borderLeftWidth: 2, paddingLeft: 8 },
  ways: { flexDirection: 'row', justifyContent: 'flex-end' },
});

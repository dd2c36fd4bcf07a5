import { filterNotes, type ListedNote, listNotes, signPlace } from '@marginalis/core/derived';
import { type RefObject, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { FlatList, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { usePageNames, useSession, useSessionState } from '@/session';
import { goToMark, useReader } from '@/shell';
import { Action, IconAction, paperIcon, WIDE_FROM } from '@/ui';
import { beginNote } from './beginNote';
import { FoldedCard } from './FoldedCard';
import { MarginCards } from './MarginCards';
import { NewNote } from './NewNote';
import { NoteCard } from './NoteCard';
import { NoteFilters } from './NoteFilters';
import { notesHeld } from './notesHeld';

/** All notes of the document in reading order, how many are open, and one that is begun. */
export function NotesPanel() {
  const reader = useReader();
  const session = useSession();
  const { colors } = useTheme();
  const notes = useSessionState((s) => listNotes(s.document));
  const writable = useSessionState((s) => s.writable);
  // Before the journal has been read nothing is known of its notes.
  const isRead = useSessionState((s) => s.phase !== 'opening');
  const { begun, chosen, lit, asList, filter } = useStore(notesHeld);
  const [filtering, setFiltering] = useState(false);
  const pages = useSessionState((s) => s.document.pages.length);
  const isWide = useWindowDimensions().width >= WIDE_FROM;
  const nameOf = usePageNames();
  const list = useRef<FlatList<ListedNote>>(null);
  const fitting = useMemo(() => filterNotes(notes, filter), [notes, filter]);
  const open = notes.filter(({ thread }) => !thread.settled).length;
  const shown = fitting.findIndex(({ thread }) => thread.id === chosen);
  useEffect(() => {
    if (shown >= 0)
      list.current?.scrollToIndex({ index: shown, viewPosition: 0.2, animated: false });
  }, [shown]);
  const jump = useCallback(
    ({ thread, about }: ListedNote): void => {
      notesHeld.setState({ chosen: thread.id });
      if (!about) return;
      goToMark(reader, about);
    },
    [reader],
  );
  useFollowing(isWide ? null : list, fitting);
  const mine = begun?.session === session ? begun : null;
  return (
    <View style={styles.panel}>
      {mine ? (
        <NewNote begun={mine} />
      ) : (
        <View style={styles.row}>
          <Action
            compact
            icon={paperIcon('note')}
            disabled={!writable}
            onPress={() => beginNote(reader)}
          >
            Add a note
          </Action>
          <Text variant="bodySmall" role="status" style={{ color: colors.onSurfaceVariant }}>
            {isRead ? saidOf(notes.length, open, fitting.length) : 'Reading the notes …'}
          </Text>
          {notes.length > 1 && (
            <IconAction
              icon="find"
              size={20}
              label={filtering ? 'All notes' : 'Only some notes'}
              onPress={() => {
                notesHeld.setState({ filter: {} });
                setFiltering(!filtering);
              }}
            />
          )}
          {isWide && (
            <IconAction
              icon={asList ? 'note' : 'list'}
              size={20}
              label={asList ? 'Beside the page' : 'As a list'}
              onPress={() => notesHeld.setState({ asList: !asList })}
            />
          )}
        </View>
      )}
      {filtering && (
        <NoteFilters
          all={notes}
          pages={pages}
          filter={filter}
          onChange={(next) => notesHeld.setState({ filter: next })}
        />
      )}
      {isWide && !asList ? (
        <MarginCards notes={fitting} nameOf={nameOf} onJump={jump} />
      ) : (
        <FlatList
          ref={list}
          data={fitting}
          keyExtractor={({ thread }) => thread.id}
          initialNumToRender={8}
          windowSize={7}
          extraData={`${chosen} ${lit}`}
          onScrollToIndexFailed={({ averageItemLength, index }) =>
            list.current?.scrollToOffset({ offset: averageItemLength * index, animated: false })
          }
          role="group"
          accessibilityLabel="Notes of the document"
          style={styles.list}
          contentContainerStyle={styles.cards}
          renderItem={({ item }) =>
            item.thread.id === chosen ? (
              <NoteCard note={item} nameOf={nameOf} chosen onJump={jump} onFold={fold} />
            ) : (
              <FoldedCard note={item} lit={item.thread.id === lit} onOpen={jump} />
            )
          }
        />
      )}
    </View>
  );
}

const fold = (): void => notesHeld.setState({ chosen: null });

/** On a phone the cards go with the page: the first note of what is in sight is the first of the list. */
function useFollowing(
  list: RefObject<FlatList<ListedNote> | null> | null,
  notes: readonly ListedNote[],
): void {
  const { stage, session } = useReader();
  useEffect(() => {
    if (!list) return undefined;
    let last = -1;
    const isInSight = ({ about }: ListedNote): boolean => {
      if (!about) return false;
      const own = session.store.getState().document.pages[about.page];
      return stage.isInSight(about.page, signPlace(about, own).at);
    };
    return stage.subscribe(() => {
      const { chosen } = notesHeld.getState();
      const open = notes.find(({ thread }) => thread.id === chosen);
      // The one that is read stays where it is, as long as its place is seen.
      if (open && isInSight(open)) return;
      const at = notes.findIndex(isInSight);
      if (at < 0 || at === last) return;
      last = at;
      list.current?.scrollToIndex({ index: at, animated: true });
    });
  }, [stage, session, list, notes]);
}

function saidOf(all: number, open: number, fitting: number): string {
  if (all === 0) return 'Nothing is noted yet.';
  const notes = all === 1 ? '1 note' : `${all} notes`;
  if (fitting < all) return `${fitting} of ${notes}`;
  return `${notes}, ${open === 0 ? 'all settled' : `${open} open`}`;
}

const styles = StyleSheet.create({
  panel: { flex: 1, minHeight: 0, gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  list: { flex: 1 },
  cards: { gap: 8, paddingBottom: 12 },
});

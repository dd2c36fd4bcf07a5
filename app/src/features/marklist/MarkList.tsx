import {
  filterMarks,
  type ListedMark,
  listMarks,
  listRows,
  type MarkFilter,
  wordsBeneath,
} from '@marginalis/core/derived';
import { lockMarks } from '@marginalis/core/editing';
import { EMPTY_PRINT } from '@marginalis/core/print';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { FlatList, StyleSheet, View } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { usePageNames, useSessionState } from '@/session';
import { goToMark, useReader } from '@/shell';
import { Action } from '@/ui';
import { Filters } from './Filters';
import { LineRow } from './LineRow';
import { MarkRow, ROW_HEIGHT } from './MarkRow';
import { PickedActions } from './PickedActions';
import { unfoldRows } from './unfoldRows';
import { usePrint } from './usePrint';

const countOf = (n: number): string => (n === 1 ? '1 mark' : `${n} marks`);

/** Every mark of the document in reading order, to find, go to and pick. */
export function MarkList({ onGone }: { onGone: () => void }) {
  const reader = useReader();
  const { session } = reader;
  const { colors } = useTheme();
  const nameOf = usePageNames();
  // The list may lag behind the pen: lifting it does not wait for thousands of rows.
  const document = useDeferredValue(useSessionState((s) => s.document));
  // Before the journal has been read nothing is known of its marks; said no sooner than the list shows them.
  const isRead = useDeferredValue(useSessionState((s) => s.phase !== 'opening'));
  const picked = useSessionState((s) => s.picked);
  const writable = useSessionState((s) => s.writable);
  const [filter, setFilter] = useState<MarkFilter>({});
  const [filtering, setFiltering] = useState(false);
  const all = listMarks(document);
  const marked = useMemo(() => [...new Set(all.map(({ page }) => page))], [all]);
  const prints = usePrint(session.print, document.pages, marked);
  const beneath = useCallback(
    (row: ListedMark): string => wordsBeneath(row.mark, prints.get(row.page) ?? EMPTY_PRINT),
    [prints],
  );
  const fitting = useMemo(
    () =>
      filterMarks(all, filter, (row) =>
        [
          row.words.name,
          row.words.text,
          row.mark.author ?? '',
          filter.text ? beneath(row) : '',
        ].join(' '),
      ),
    [all, filter, beneath],
  );
  const rows = useMemo(() => listRows(fitting), [fitting]);
  const [unfolded, setUnfolded] = useState<ReadonlySet<string>>(new Set());
  const shown = useMemo(() => unfoldRows(rows, unfolded), [rows, unfolded]);
  const fold = useCallback(
    (id: string) =>
      setUnfolded((before) => {
        const next = new Set(before);
        if (!next.delete(id)) next.add(id);
        return next;
      }),
    [],
  );

  const jump = useCallback(
    (row: ListedMark) => {
      goToMark(reader, row);
      onGone();
    },
    [reader, onGone],
  );
  const pick = useCallback(
    (marks: readonly ListedMark[]) => {
      const { picked: held } = session.store.getState();
      const ids = marks.map(({ mark }) => mark.id);
      session.inHand.pick(
        ids.every((id) => held.has(id))
          ? [...held].filter((id) => !ids.includes(id))
          : [...held, ...ids],
      );
    },
    [session],
  );
  const unlock = useCallback(
    ({ mark }: ListedMark) =>
      session.dispatch(lockMarks(session.store.getState().document, [mark.id], false)),
    [session],
  );
  const free = fitting.filter(({ mark }) => !mark.locked);
  const allPicked = free.length > 0 && free.every(({ mark }) => picked.has(mark.id));

  return (
    <View style={styles.list}>
      <TextInput
        mode="outlined"
        placeholder="Search the marks"
        accessibilityLabel="Search the marks"
        inputMode="search"
        value={filter.text ?? ''}
        onChangeText={(text) => setFilter({ ...filter, text })}
        style={[styles.search, { backgroundColor: colors.surface }]}
      />
      <View style={styles.row}>
        <Action
          compact
          onPress={() => {
            if (filtering) setFilter({ text: filter.text });
            setFiltering(!filtering);
          }}
        >
          {filtering ? 'Clear filters' : 'Filter'}
        </Action>
        <Action
          compact
          disabled={!writable || free.length === 0}
          onPress={() => session.inHand.pick(allPicked ? [] : free.map(({ mark }) => mark.id))}
        >
          {allPicked ? 'Pick none' : 'Pick all'}
        </Action>
        <Text
          variant="bodySmall"
          role="status"
          // How many strokes and other marks there are, whatever stands together.
          {...(isRead && { dataSet: { marks: String(all.length) } })}
          style={{ color: colors.onSurfaceVariant }}
        >
          {!isRead
            ? 'Reading the marks …'
            : fitting.length === all.length
              ? countOf(rows.length)
              : `${rows.length} of ${listRows(all).length}`}
        </Text>
      </View>
      {filtering && (
        <Filters all={all} pages={document.pages.length} filter={filter} onChange={setFilter} />
      )}
      {picked.size > 0 && writable && <PickedActions count={picked.size} />}
      {rows.length === 0 ? (
        <Text style={styles.none}>
          {all.length === 0
            ? 'Nothing is marked yet. What you write, highlight or draw is listed here.'
            : 'No mark fits.'}
        </Text>
      ) : (
        <FlatList
          data={shown}
          keyExtractor={({ key }) => key}
          getItemLayout={(_, index) => ({ length: ROW_HEIGHT, offset: ROW_HEIGHT * index, index })}
          initialNumToRender={14}
          windowSize={5}
          extraData={picked}
          accessibilityLabel="Marks"
          style={styles.rows}
          renderItem={({ item }) =>
            item.marks ? (
              <LineRow
                id={item.key}
                name={item.name}
                holds={item.holds}
                marks={item.marks}
                page={document.pages[item.marks[0].page]}
                pageName={nameOf(item.marks[0].page)}
                depth={item.depth}
                open={unfolded.has(item.key)}
                picked={item.marks.every(({ mark }) => picked.has(mark.id))}
                writable={writable}
                onOpen={fold}
                onJump={jump}
                onPick={pick}
              />
            ) : (
              <MarkRow
                row={item.mark}
                page={document.pages[item.mark.page]}
                pageName={nameOf(item.mark.page)}
                words={beneath(item.mark)}
                picked={picked.has(item.mark.mark.id)}
                writable={writable}
                depth={item.depth}
                onJump={jump}
                onPick={pick}
                onUnlock={unlock}
              />
            )
          }
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  list: { flex: 1, minHeight: 0, gap: 4 },
  search: { height: 46 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 4 },
  rows: { flex: 1 },
  none: { paddingVertical: 24, textAlign: 'center' },
});

import type { NoteHit, TextHit } from '@marginalis/core/derived';
import { useCallback, useEffect, useRef, useState } from 'react';
import { FlatList, StyleSheet, type TextInput as NativeInput, View } from 'react-native';
import { Text, TextInput, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { type SearchHit, usePageNames } from '@/session';
import { goToMark, useReader } from '@/shell';
import { ToggleChip } from '@/ui';
import { goToHit } from './goToHit';
import { HIT_HEIGHT, HitRow } from './HitRow';
import { NoteHits } from './NoteHits';
import { hitsSaid, unsearchedSaid } from './hitsSaid';
import { StepButtons } from './StepButtons';
import { TextHits } from './TextHits';
import { useMarkedHits } from './useMarkedHits';

/** What is typed is looked for when nothing has been typed for so long, ms. */
const PAUSE = 120;
/** So many rows are laid out at a time: the pen and the paper want their turn. */
const ROWS_AT_ONCE = 6;

/** Looks for printed words: what and how, from hit to hit, and all of them in a list. */
export function SearchPanel({ onGone }: { onGone: () => void }) {
  const reader = useReader();
  const { session, stage } = reader;
  const { search } = session;
  const { colors } = useTheme();
  const state = useStore(search.store);
  const { hits, at, how, reading } = state;
  const nameOf = usePageNames();
  /** What has been typed since a term was looked for last; what is looked for may come from elsewhere, too. */
  const [entry, setEntry] = useState<{ readonly text: string; readonly since: string } | null>(
    null,
  );
  const typed = entry?.since === state.term ? entry.text : state.term;
  const field = useRef<NativeInput>(null);
  const list = useRef<FlatList<SearchHit>>(null);
  const inSight = useCallback((): number => stage.getSight().current, [stage]);

  useEffect(() => {
    field.current?.focus();
  }, []);
  useEffect(() => {
    if (typed === search.store.getState().term) return undefined;
    const pause = setTimeout(
      () => search.find(typed, search.store.getState().how, inSight()),
      PAUSE,
    );
    return () => clearTimeout(pause);
  }, [typed, search, inSight]);

  const step = (by: 1 | -1): void => {
    const hit = search.next(by, inSight());
    goToHit(reader, hit);
    const row = search.store.getState().hits.findIndex((one) => one === hit);
    if (row >= 0) list.current?.scrollToIndex({ index: row, viewPosition: 0.4, animated: false });
  };
  const jump = useCallback(
    (hit: SearchHit): void => {
      goToHit(reader, search.goTo(hit));
      onGone();
    },
    [reader, search, onGone],
  );
  const goToText = ({ row }: TextHit): void => {
    goToMark(reader, row);
    onGone();
  };
  const goToNote = ({ note: { about } }: NoteHit): void => {
    if (!about) return;
    goToMark(reader, about);
    onGone();
  };
  const change = (other: Partial<typeof how>): void =>
    search.find(typed, { ...how, ...other }, inSight());
  const unsearched = unsearchedSaid(state);
  const marked = useMarkedHits();

  const renderHit = useCallback(
    ({ item }: { item: SearchHit }) => (
      <HitRow
        hit={item}
        page={nameOf(stage.indexOf(item.page))}
        here={item === at}
        marked={marked.get(item) ?? null}
        onPress={jump}
      />
    ),
    [nameOf, stage, at, marked, jump],
  );

  return (
    <View style={styles.panel}>
      <TextInput
        ref={field}
        mode="outlined"
        placeholder="Words in the document"
        accessibilityLabel="Search the document"
        inputMode="search"
        value={typed}
        onChangeText={(text) => setEntry({ text, since: state.term })}
        // Paper takes the key of a line's end for sending; with Shift it goes back.
        onKeyPress={(e) => {
          const { key, shiftKey } = e.nativeEvent as unknown as KeyboardEvent;
          if (key !== 'Enter') return;
          e.preventDefault();
          step(shiftKey ? -1 : 1);
        }}
        style={[styles.field, { backgroundColor: colors.surface }]}
      />
      <View style={styles.row}>
        <ToggleChip
          label="Whole word"
          on={how.wholeWords ?? false}
          onPress={() => change({ wholeWords: !how.wholeWords })}
        />
        <ToggleChip
          label="Exact"
          hint="Capitals, accents and quotes count"
          on={how.exact ?? false}
          onPress={() => change({ exact: !how.exact })}
        />
        <View style={styles.ways}>
          <StepButtons onStep={step} />
        </View>
      </View>
      {state.term !== '' && (
        <Text
          variant="bodySmall"
          role="status"
          {...{ dataSet: { hits: String(hits.length + state.more) } }}
          style={[styles.said, { color: colors.onSurfaceVariant }]}
        >
          {reading && reading.of !== Infinity
            ? `${hitsSaid(state)} · ${reading.read} of ${reading.of} pages read`
            : `${hitsSaid(state)}${marked.size > 0 ? ` · ${marked.size} marked` : ''}`}
        </Text>
      )}
      {state.term !== '' && unsearched && (
        <Text variant="bodySmall" style={[styles.said, { color: colors.onSurface }]}>
          {unsearched}
        </Text>
      )}
      {state.term !== '' && (
        <>
          <TextHits term={state.term} how={how} onGo={goToText} />
          <NoteHits term={state.term} how={how} onGo={goToNote} />
        </>
      )}
      <FlatList
        ref={list}
        data={hits}
        keyExtractor={(hit) => `${hit.page} ${hit.from}`}
        getItemLayout={(_, index) => ({ length: HIT_HEIGHT, offset: HIT_HEIGHT * index, index })}
        initialNumToRender={ROWS_AT_ONCE}
        maxToRenderPerBatch={ROWS_AT_ONCE}
        windowSize={5}
        extraData={marked.size > 0 ? [at, marked] : at}
        accessibilityLabel="Hits"
        style={styles.hits}
        renderItem={renderHit}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { flex: 1, minHeight: 0, gap: 4 },
  field: { height: 46 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 6 },
  ways: { flex: 1, flexDirection: 'row', justifyContent: 'flex-end' },
  said: { paddingHorizontal: 4 },
  hits: { flex: 1 },
});

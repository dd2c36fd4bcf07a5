import { sourcesOfPages } from '@marginalis/core/document';
import {
  bookmarkRows,
  contentsOf,
  type ContentsRow,
  farOf,
  rowAt,
  unfolded,
} from '@marginalis/core/guide';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { FlatList, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { outlinesIn, usePageNames, useSession, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { useSight } from '@/stage';
import { Action, paperIcon, ToggleChip } from '@/ui';
import { bookmarkHere } from './bookmarkHere';
import { ContentsLine } from './ContentsLine';
import { Proposal } from './Proposal';

/** Contents of more lines than this are folded to their chapters at first. */
const LONG = 60;

/** The file's contents and one's own bookmarks, read as one; or the bookmarks alone, in one's own order. */
export function ContentsPanel({ onGone }: { onGone: () => void }) {
  const reader = useReader();
  const session = useSession();
  const { colors } = useTheme();
  const { outline, added, proposed, proposing } = useStore(session.guide.store);
  const pages = useSessionState((s) => s.document.pages);
  const bookmarks = useSessionState((s) => s.document.bookmarks);
  const writable = useSessionState((s) => s.writable);
  const nameOf = usePageNames();
  const [mine, setMine] = useState(false);
  const hasOwn = outline !== null && outline.length > 0;
  const rows = useMemo(() => {
    const { document } = session.store.getState();
    const now = { ...document, pages, bookmarks };
    return mine
      ? bookmarkRows(now)
      : contentsOf(now, outlinesIn({ outline, added, proposed }, pages, session.leadingSource()));
  }, [session, pages, bookmarks, outline, added, proposed, mine]);
  useEffect(() => {
    // What is added later says its part when its file has been read.
    for (const source of sourcesOfPages(pages)) reader.pictures(source);
  }, [reader, pages]);
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const isFolded = useCallback(
    (row: ContentsRow): boolean => (rows.length > LONG || !row.open) !== turned.has(row.key),
    [rows, turned],
  );
  const shown = useMemo(() => unfolded(rows, isFolded), [rows, isFolded]);
  const here = useHere(mine ? NONE : shown);
  const list = useRef<FlatList<ContentsRow>>(null);
  const first = useRef(true);
  useEffect(() => {
    if (!first.current || !here) return;
    first.current = false;
    const index = shown.indexOf(here);
    if (index > 6) list.current?.scrollToIndex({ index, viewPosition: 0.4, animated: false });
  }, [here, shown]);

  const go = useCallback(
    ({ place, address }: ContentsRow): void => {
      const index = place ? reader.stage.indexOf(place.page) : -1;
      if (place && index >= 0) reader.stage.goToSpot(index, place.at);
      else if (address) session.leadsOut.ask(address);
      onGone();
    },
    [reader, session, onGone],
  );
  const fold = useCallback(
    ({ key }: ContentsRow): void =>
      setTurned((before) => {
        const next = new Set(before);
        if (!next.delete(key)) next.add(key);
        return next;
      }),
    [],
  );
  const own = bookmarks.size > 0;

  return (
    <View style={styles.panel}>
      <View style={styles.row}>
        <Action
          compact
          icon={paperIcon('flag')}
          disabled={!writable}
          onPress={() => void bookmarkHere(reader)}
        >
          Bookmark this place
        </Action>
        {(own || mine) && (
          <ToggleChip
            label="Mine"
            hint="Only my bookmarks, in my order"
            on={mine}
            onPress={() => setMine(!mine)}
          />
        )}
      </View>
      {outline !== null && !hasOwn && !mine && <Proposal />}
      {rows.length === 0 && proposed === null && proposing === null && (
        <Text style={[styles.none, { color: colors.onSurfaceVariant }]}>
          {emptySaid(mine, outline !== null)}
        </Text>
      )}
      <FlatList
        ref={list}
        data={shown}
        keyExtractor={({ key }) => key}
        initialNumToRender={24}
        windowSize={7}
        onScrollToIndexFailed={({ averageItemLength, index }) =>
          list.current?.scrollToOffset({ offset: averageItemLength * (index - 4), animated: false })
        }
        accessibilityLabel="Contents"
        style={styles.rows}
        renderItem={({ item }) => (
          <ContentsLine
            row={item}
            pageName={item.far === null ? null : nameOf(Math.floor(item.far))}
            folded={item.holds && isFolded(item)}
            here={item === here}
            writable={writable}
            onGo={go}
            onFold={fold}
          />
        )}
      />
    </View>
  );
}

const NONE: readonly ContentsRow[] = [];

function emptySaid(mine: boolean, isRead: boolean): string {
  if (mine) return 'You have no bookmarks in this document.';
  if (!isRead) return 'The contents are being read.';
  return 'This file has no contents of its own. Places you bookmark are listed here.';
}

/** The row in whose part of the document one is reading. */
function useHere(rows: readonly ContentsRow[]): ContentsRow | null {
  const { stage } = useReader();
  // A third down the window: what stands above it is still in sight, but has been read.
  useSight();
  const view = stage.getView();
  const hit = stage.pageAt({ x: view.width / 2, y: view.height / 3 });
  const page = hit && stage.pages[hit.index];
  const far = hit && page ? farOf(stage.pages, { page: page.id, at: hit.user }) : null;
  return far === null ? null : rowAt(rows, far);
}

const styles = StyleSheet.create({
  panel: { flex: 1, minHeight: 0, gap: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 6, flexWrap: 'wrap' },
  rows: { flex: 1 },
  none: { paddingVertical: 24, paddingHorizontal: 8, textAlign: 'center' },
});

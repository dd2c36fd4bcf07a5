import type { PageId } from '@marginalis/core/marks';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { FlatList, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePageNames, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { useSight } from '@/stage';
import { arrowStep, pagesInWords, ToggleChip } from '@/ui';
import { changePages } from './changePages';
import { behindBy, chosenTo, toggled } from './choice';
import { ChoosePages } from './ChoosePages';
import { type CellWays, NAME, PageCell, TALL } from './PageCell';
import { PagesBar } from './PagesBar';
import { usePageDrag } from './usePageDrag';

/** A page has at least so much room, and so much between it and the next, CSS pixels. */
const LEAST = 88;
const GAP = 10;
const APART = 12;
const NONE: ReadonlySet<PageId> = new Set();

/** All pages as small pictures, with their marks: a tap leads there, or chooses them; they are dragged to another place. */
export function PageTable({ onGone }: { onGone: () => void }) {
  const { stage, session } = useReader();
  const { colors } = useTheme();
  const { current } = useSight();
  const nameOf = usePageNames();
  const pages = useSessionState((s) => s.document.pages);
  const marks = useSessionState((s) => s.document.marks);
  const writable = useSessionState((s) => s.writable);
  const [marked, setMarked] = useState(false);
  const [picked, setPicked] = useState<ReadonlySet<PageId> | null>(null);
  const [width, setWidth] = useState(0);
  const last = useRef<PageId | null>(null);
  const list = useRef<FlatList<number>>(null);
  const columns = Math.max(1, Math.floor((width + GAP) / (LEAST + GAP)));
  const cell = Math.floor((width - (columns - 1) * GAP) / columns);
  const rowHeight = Math.round(TALL * cell) + NAME + APART;
  const shown = useMemo(() => {
    const all = pages.map((_, k) => k);
    const hasMarks = (k: number): boolean => (marks.get(pages[k].id)?.size ?? 0) > 0;
    return marked ? all.filter(hasMarks) : all;
  }, [pages, marks, marked]);
  const chosen = useMemo(
    () => picked && pages.filter(({ id }) => picked.has(id)).map(({ id }) => id),
    [pages, picked],
  );
  const begun = useRef(false);
  useEffect(() => {
    if (begun.current || width === 0) return;
    begun.current = true;
    const row = Math.floor(shown.indexOf(stage.getSight().current) / columns);
    if (row > 0) list.current?.scrollToOffset({ offset: rowHeight * row, animated: false });
  }, [stage, shown, columns, rowHeight, width]);

  const ids = useMemo(() => shown.map((index) => pages[index].id), [shown, pages]);
  /** Brings a cell into sight, and the focus to it once it is there. */
  const focusCell = (id: PageId, at: number): void => {
    const row = Math.floor(Math.min(ids.length - 1, Math.max(0, at)) / columns);
    list.current?.scrollToIndex({ index: row, animated: false, viewPosition: 0.5 });
    requestAnimationFrame(() =>
      requestAnimationFrame(() =>
        document.querySelector<HTMLElement>(`[data-cell="${CSS.escape(id)}"]`)?.focus(),
      ),
    );
  };
  /** Those that go along with a page: all that are chosen, where it is one of them. */
  const together = (index: number): readonly PageId[] => {
    const { id } = pages[index];
    return picked?.has(id) && chosen ? chosen : [id];
  };
  const change = changePages(session);
  const cells = { count: shown.length, columns, across: cell + GAP, down: rowHeight };
  const drag = usePageDrag(list, cells, (index, gap) => {
    change.move(together(index), ids[gap - 1] ?? null);
  });
  const press = (index: number, isRange: boolean): void => {
    const { id } = pages[index];
    if (picked === null && !isRange) {
      stage.goToSpot(index, null);
      return onGone();
    }
    const from = last.current ?? pages[current]?.id ?? id;
    setPicked(isRange ? chosenTo(picked ?? NONE, ids, from, id) : toggled(picked ?? NONE, id));
    last.current = id;
  };
  const keyDown = (index: number, e: KeyboardEvent): void => {
    const step = arrowStep(e);
    const at = shown.indexOf(index);
    // By one place, or by a row.
    const by = step ? Math.sign(step.x) + columns * Math.sign(step.y) : 0;
    if (step && e.altKey && writable) {
      const moving = together(index);
      if (change.move(moving, behindBy(ids, moving, by))) focusCell(pages[index].id, at + by);
    } else if (step) {
      if (ids[at + by] !== undefined) focusCell(ids[at + by], at + by);
    } else if (e.key === 'Delete' && writable) change.remove(together(index));
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const ways = useLatest({
    onPress: press,
    onPointerDown: (index, e) => writable && drag.begin(index, e),
    onKeyDown: keyDown,
  });
  const gapOf = (at: number): 'before' | 'behind' | null =>
    drag.gap === null
      ? null
      : drag.gap === at
        ? 'before'
        : drag.gap === at + 1 && (at === shown.length - 1 || (at + 1) % columns === 0)
          ? 'behind'
          : null;
  return (
    <View style={styles.panel} onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
      <View style={styles.row}>
        {writable && (
          <ToggleChip
            label="Arrange"
            hint="Choose pages, to move, turn, copy, crop or remove them"
            on={picked !== null}
            onPress={() => setPicked(picked ? null : NONE)}
          />
        )}
        {picked ? (
          <ChoosePages onChoose={(ids) => setPicked(new Set(ids))} />
        ) : (
          <>
            <ToggleChip label="With marks" on={marked} onPress={() => setMarked(!marked)} />
            <Text variant="bodySmall" role="status" style={{ color: colors.onSurfaceVariant }}>
              {countOf(shown.length, pages.length)}
            </Text>
          </>
        )}
      </View>
      {width > 0 && (
        <FlatList
          ref={list}
          // Another number of columns is another list.
          key={columns}
          data={shown}
          numColumns={columns}
          columnWrapperStyle={columns > 1 ? styles.line : undefined}
          keyExtractor={(index) => pages[index]?.id ?? String(index)}
          getItemLayout={(_, row) => ({ length: rowHeight, offset: rowHeight * row, index: row })}
          initialNumToRender={4}
          windowSize={5}
          extraData={[current, picked, drag.gap]}
          accessibilityLabel="Pages"
          style={styles.rows}
          renderItem={({ item, index: at }) => (
            <View style={styles.cell}>
              <PageCell
                index={item}
                width={cell}
                name={nameOf(item)}
                here={item === current}
                chosen={picked && pages[item] ? picked.has(pages[item].id) : null}
                gap={gapOf(at)}
                ways={ways}
              />
            </View>
          )}
        />
      )}
      {chosen && <PagesBar ids={chosen} onDone={() => setPicked(NONE)} />}
    </View>
  );
}

const countOf = (shown: number, all: number): string =>
  shown === all ? pagesInWords(all) : `${shown} of ${all} pages`;

/** The same object as long as it is there, which does what the last one does: cells are not drawn anew for it. */
function useLatest(ways: CellWays): CellWays {
  const now = useRef(ways);
  useEffect(() => {
    now.current = ways;
  });
  return useMemo<CellWays>(
    () => ({
      onPress: (...given) => now.current.onPress(...given),
      onPointerDown: (...given) => now.current.onPointerDown(...given),
      onKeyDown: (...given) => now.current.onKeyDown(...given),
    }),
    [],
  );
}

const styles = StyleSheet.create({
  panel: { flex: 1, minHeight: 0, gap: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  rows: { flex: 1 },
  line: { gap: GAP },
  cell: { marginBottom: APART },
});

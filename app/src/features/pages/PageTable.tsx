import { marksOn } from '@marginalis/core/document';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { FlatList, Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePageNames, useSessionState } from '@/session';
import { PageThumb, useReader } from '@/shell';
import { useSight } from '@/stage';
import { ToggleChip } from '@/ui';

/** A page has at least so much room, and so much between it and the next, CSS pixels; it is no taller than it is wide by this. */
const LEAST = 88;
const GAP = 10;
const TALL = 1.42;
/** Room around a picture, and for the name of its page beneath. */
const AROUND = 6;
const NAME = 24;
const APART = 12;

/** All pages as small pictures, with their marks: a tap leads there. */
export function PageTable({ onGone }: { onGone: () => void }) {
  const { stage } = useReader();
  const { colors } = useTheme();
  const { current } = useSight();
  const nameOf = usePageNames();
  const pages = useSessionState((s) => s.document.pages);
  const marks = useSessionState((s) => s.document.marks);
  const [marked, setMarked] = useState(false);
  const [width, setWidth] = useState(0);
  const columns = Math.max(1, Math.floor((width + GAP) / (LEAST + GAP)));
  const cell = Math.floor((width - (columns - 1) * GAP) / columns);
  const rowHeight = Math.round(TALL * cell) + NAME + APART;
  const shown = useMemo(() => {
    const all = pages.map((_, k) => k);
    const hasMarks = (k: number): boolean => (marks.get(pages[k].id)?.size ?? 0) > 0;
    return marked ? all.filter(hasMarks) : all;
  }, [pages, marks, marked]);
  const list = useRef<FlatList<number>>(null);
  const begun = useRef(false);
  useEffect(() => {
    if (begun.current || width === 0) return;
    begun.current = true;
    const row = Math.floor(shown.indexOf(stage.getSight().current) / columns);
    if (row > 0) list.current?.scrollToOffset({ offset: rowHeight * row, animated: false });
  }, [stage, shown, columns, rowHeight, width]);
  const go = useCallback(
    (index: number): void => {
      stage.goToSpot(index, null);
      onGone();
    },
    [stage, onGone],
  );
  return (
    <View style={styles.panel} onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
      <View style={styles.row}>
        <ToggleChip label="With marks" on={marked} onPress={() => setMarked(!marked)} />
        <Text variant="bodySmall" role="status" style={{ color: colors.onSurfaceVariant }}>
          {countOf(shown.length, pages.length)}
        </Text>
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
          extraData={current}
          accessibilityLabel="Pages"
          style={styles.rows}
          renderItem={({ item }) => (
            <Cell
              index={item}
              width={cell}
              name={nameOf(item)}
              here={item === current}
              onPress={go}
            />
          )}
        />
      )}
    </View>
  );
}

const countOf = (shown: number, all: number): string =>
  shown === all ? (all === 1 ? '1 page' : `${all} pages`) : `${shown} of ${all} pages`;

/** One page of the table: what is seen of it does not change as the paper moves. */
const Cell = memo(function Cell(props: {
  index: number;
  width: number;
  name: string;
  here: boolean;
  onPress: (index: number) => void;
}) {
  const { index, width, name, here, onPress } = props;
  const height = Math.round(TALL * width);
  const { colors } = useTheme();
  const count = useSessionState(({ document }) => {
    const page = document.pages[index];
    return page ? marksOn(document, page.id).size : 0;
  });
  const said = count === 0 ? '' : count === 1 ? ', 1 mark' : `, ${count} marks`;
  return (
    <Pressable
      role="button"
      accessibilityLabel={`Page ${name}${said}`}
      aria-current={here ? 'page' : undefined}
      onPress={() => onPress(index)}
      style={[styles.cell, { width }, here && { backgroundColor: colors.secondaryContainer }]}
    >
      <View style={[styles.picture, { height }]}>
        <PageThumb index={index} width={width - 2 * AROUND} tallest={height - 2 * AROUND} />
      </View>
      <View style={styles.name}>
        <Text
          variant="bodySmall"
          style={{ color: here ? colors.onSecondaryContainer : colors.onSurface }}
        >
          {name}
        </Text>
        {count > 0 && <View style={[styles.tick, { backgroundColor: colors.primary }]} />}
      </View>
    </Pressable>
  );
});

const styles = StyleSheet.create({
  panel: { flex: 1, minHeight: 0, gap: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 10 },
  rows: { flex: 1 },
  line: { gap: GAP },
  cell: { marginBottom: APART, alignItems: 'center', borderRadius: 4 },
  picture: { justifyContent: 'center' },
  name: { height: NAME, flexDirection: 'row', alignItems: 'center', gap: 6 },
  tick: { width: 10, height: 2 },
});

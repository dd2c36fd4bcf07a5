import { boundsOf, drawingOf } from '@marginalis/core/derived';
import type { Page } from '@marginalis/core/document';
import { movedTo } from '@marginalis/core/edition';
import { boxCentre, displaySize, uniteBoxes, type Vec } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, IconAction, NumberField, Sheet } from '@/ui';
import { nameOf } from './inWords';
import { PlaceOnPage } from './PlaceOnPage';
import type { Unit } from './units';

/** Of the window the sheet has so much for its content, of which more than the page needs so many CSS pixels. */
const MOST = 0.62;
const REST = 120;
const LEAST = 160;

/** Marks are put by hand where they belong in the new edition. */
export function MovePlace(props: {
  unit: Unit;
  /** As they were, with the page they were on. */
  marks: readonly Mark[];
  before: Page;
  /** The pages of the new edition. */
  pages: readonly Page[];
  onMoved: (placed: Unit['placed']) => void;
  onClose: () => void;
}) {
  const { unit, marks, before, pages, onMoved, onClose } = props;
  const { height } = useWindowDimensions();
  const [room, setRoom] = useState(0);
  const [first] = unit.placed;
  const found = unit.placed.flatMap(({ after }) => (after ? [after] : []));
  const lying = found.length === marks.length ? found : marks;
  const lies = lying === found && first.page !== null ? pages[first.page] : before;
  const [page, setPage] = useState(first.page ?? Math.min(first.from, pages.length - 1));
  const [at, setAt] = useState<Vec>(() => boxCentre(lying.map(boundsOf).reduce(uniteBoxes)));
  const moved = movedTo(unit.placed, lying, { page, at }, lies, pages[page]);
  const there = moved.flatMap(({ after }) => (after ? [after] : []));
  const size = displaySize(pages[page]);
  const tallest = Math.max(LEAST, MOST * height - REST);
  const foot = (
    <View style={[styles.row, styles.foot]}>
      <Action onPress={onClose}>Leave it as it was</Action>
      <Action mode="contained" onPress={() => onMoved(moved)}>
        Put it here
      </Action>
    </View>
  );
  return (
    <Sheet title={`Move: ${nameOf(marks)}`} open onClose={onClose} foot={foot} tall>
      <View style={styles.row}>
        <IconAction
          icon="left"
          label="The page before"
          disabled={page === 0}
          onPress={() => setPage(page - 1)}
        />
        <NumberField
          label="Page of the new edition"
          value={page + 1}
          least={1}
          most={pages.length}
          onChange={(number) => setPage(Math.round(number) - 1)}
        />
        <IconAction
          icon="right"
          label="The next page"
          disabled={page === pages.length - 1}
          onPress={() => setPage(page + 1)}
        />
        <Text variant="bodySmall" style={styles.hint}>
          Tap where it belongs, or drag it there.
        </Text>
      </View>
      <View style={styles.page} onLayout={(e) => setRoom(e.nativeEvent.layout.width)}>
        {room > 0 && (
          <PlaceOnPage
            page={pages[page]}
            drawing={there.flatMap(drawingOf)}
            area={there.map(boundsOf).reduce(uniteBoxes)}
            scale={Math.min(room / size.width, tallest / size.height)}
            onAt={setAt}
          />
        )}
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
  foot: { justifyContent: 'flex-end' },
  hint: { flexShrink: 1 },
  page: { alignItems: 'center' },
});

import { boundsOf, drawingOf, type ListedMark, outlineOf } from '@marginalis/core/derived';
import { displayMatrix, growBox, type PageBox, transformBox } from '@marginalis/core/geometry';
import { inkName } from '@marginalis/core/marks';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import Svg, { G } from 'react-native-svg';
import { DrawingSvg } from '@/stage';
import { Icon } from '@/ui';

export const ROW_HEIGHT = 68;
const PICTURE = 48;
/** Outlines of more numbers than this are too much for a small picture. */
const LONGEST = 9_000;

const dateOf = (time: number): string =>
  new Date(time).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });

/** One mark of the list: its picture, what it is, what is printed beneath, where, by whom, when. */
export const MarkRow = memo(function MarkRow(props: {
  row: ListedMark;
  page: PageBox;
  words: string;
  picked: boolean;
  writable: boolean;
  onJump: (row: ListedMark) => void;
  onPick: (row: ListedMark) => void;
  onUnlock: (row: ListedMark) => void;
}) {
  const { row, page, words, picked, writable, onJump, onPick, onUnlock } = props;
  const { colors } = useTheme();
  const { mark } = row;
  const { name } = row.words;
  const label = [name, inkName(mark.style.colour), `page ${row.page + 1}`, words].filter(Boolean);
  const made = [mark.author, dateOf(mark.madeAt)].filter(Boolean).join(' · ');
  return (
    <View style={[styles.row, { borderColor: colors.outlineVariant }]}>
      <Pressable
        role="button"
        accessibilityLabel={`Go to ${label.join(', ')}`}
        onPress={() => onJump(row)}
        style={styles.main}
      >
        <Picture row={row} page={page} />
        <View style={styles.words}>
          <Text variant="bodyMedium" numberOfLines={1}>
            {words === '' ? name : `${name}: ${words}`}
          </Text>
          <Text variant="bodySmall" numberOfLines={1} style={{ color: colors.onSurfaceVariant }}>
            {`Page ${row.page + 1} · ${inkName(mark.style.colour)} · ${made}`}
          </Text>
        </View>
      </Pressable>
      {mark.locked ? (
        <Pressable
          role="button"
          accessibilityLabel={`Unlock ${label.join(', ')}`}
          disabled={!writable}
          onPress={() => onUnlock(row)}
          style={styles.lock}
        >
          <Icon name="lock" size={20} color={colors.onSurface} />
        </Pressable>
      ) : (
        <Pressable
          role="checkbox"
          aria-checked={picked}
          accessibilityLabel={`Pick ${label.join(', ')}`}
          disabled={!writable}
          onPress={() => onPick(row)}
          style={styles.lock}
        >
          <View
            style={[
              styles.box,
              { borderColor: colors.onSurfaceVariant },
              picked && { backgroundColor: colors.primary, borderColor: colors.primary },
            ]}
          >
            {picked && <Icon name="check" size={16} color={colors.onPrimary} />}
          </View>
        </Pressable>
      )}
    </View>
  );
});

/** The mark, small. */
function Picture({ row, page }: { row: ListedMark; page: PageBox }) {
  const { mark } = row;
  const display = displayMatrix(page);
  const b = growBox(transformBox(display, boundsOf(mark)), 2);
  const isShort = outlineOf(mark).coords.length < LONGEST;
  return (
    <View style={styles.picture}>
      {isShort && (
        <Svg
          width={PICTURE}
          height={PICTURE}
          viewBox={`${b.minX} ${b.minY} ${b.maxX - b.minX} ${b.maxY - b.minY}`}
        >
          <G transform={`matrix(${display.join(' ')})`}>
            <DrawingSvg drawing={drawingOf(mark)} />
          </G>
        </Svg>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  row: {
    height: ROW_HEIGHT,
    flexDirection: 'row',
    alignItems: 'center',
    borderBottomWidth: 1,
    gap: 4,
  },
  main: {
    flex: 1,
    minWidth: 0,
    height: '100%',
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
  },
  picture: { width: PICTURE, height: PICTURE, backgroundColor: '#ffffff', borderRadius: 2 },
  words: { flex: 1, minWidth: 0 },
  box: {
    width: 22,
    height: 22,
    borderWidth: 2,
    borderRadius: 3,
    alignItems: 'center',
    justifyContent: 'center',
  },
  lock: { width: 44, height: 44, alignItems: 'center', justifyContent: 'center' },
});

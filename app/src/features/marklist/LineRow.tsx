import type { ListedMark } from '@marginalis/core/derived';
import type { PageBox } from '@marginalis/core/geometry';
import { inkName } from '@marginalis/core/marks';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { CheckBox, Icon, Tooltip } from '@/ui';
import { dateOf, ROW_HEIGHT, STEP_IN } from './MarkRow';
import { Picture } from './Picture';

const PICTURE = 38;

/** A line of handwriting, or a word of one, as it was written: nothing of it is read. */
export const LineRow = memo(function LineRow(props: {
  id: string;
  /** What it is called, with what it holds. */
  name: string;
  holds: string;
  marks: readonly ListedMark[];
  page: PageBox;
  /** What the page is called. */
  pageName: string;
  depth: number;
  open: boolean;
  picked: boolean;
  writable: boolean;
  onOpen: (id: string) => void;
  onJump: (row: ListedMark) => void;
  onPick: (marks: readonly ListedMark[]) => void;
}) {
  const { id, name, holds, marks, page, pageName, depth, open, picked, writable } = props;
  const { onOpen, onJump, onPick } = props;
  const { colors } = useTheme();
  const [first] = marks;
  const inks = [...new Set(marks.map(({ mark }) => inkName(mark.style.colour)))];
  const made = [first.mark.author, dateOf(first.mark.madeAt)].filter(Boolean).join(' · ');
  const label = `${name}, ${holds}, page ${pageName}`;
  return (
    <View
      style={[styles.row, { borderColor: colors.outlineVariant, paddingLeft: depth * STEP_IN }]}
    >
      <Tooltip text={open ? 'Fold' : `Unfold: ${holds}`}>
        <Pressable
          role="button"
          aria-expanded={open}
          accessibilityLabel={`${open ? 'Fold' : 'Unfold'} ${label}`}
          onPress={() => onOpen(id)}
          style={styles.fold}
        >
          <Icon name={open ? 'down' : 'right'} size={18} color={colors.onSurfaceVariant} />
        </Pressable>
      </Tooltip>
      <Pressable
        role="button"
        accessibilityLabel={`Go to ${label}`}
        onPress={() => onJump(first)}
        style={styles.main}
      >
        <Picture rows={marks} page={page} width="100%" height={PICTURE} />
        <Text variant="bodySmall" numberOfLines={1} style={{ color: colors.onSurfaceVariant }}>
          {`Page ${pageName} · ${holds} · ${inks.join(', ')} · ${made}`}
        </Text>
      </Pressable>
      <CheckBox
        label={`Pick ${label}`}
        hint={picked ? 'Deselect' : 'Pick'}
        on={picked}
        disabled={!writable}
        onPress={() => onPick(marks)}
      />
    </View>
  );
});

const styles = StyleSheet.create({
  row: { height: ROW_HEIGHT, flexDirection: 'row', alignItems: 'center', borderBottomWidth: 1 },
  fold: { width: 28, height: 44, alignItems: 'center', justifyContent: 'center' },
  main: { flex: 1, minWidth: 0, height: '100%', justifyContent: 'center', gap: 3 },
});

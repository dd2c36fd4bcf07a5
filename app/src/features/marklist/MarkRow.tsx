import { inkOf, type ListedMark } from '@marginalis/core/derived';
import type { PageBox } from '@marginalis/core/geometry';
import { inkName } from '@marginalis/core/marks';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { CheckBox, Icon, Tooltip } from '@/ui';
import { Picture } from './Picture';

export const ROW_HEIGHT = 68;
const PICTURE = 48;

/** How far rows stand in that belong to the one above, CSS pixels. */
export const STEP_IN = 16;

export const dateOf = (time: number): string =>
  new Date(time).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });

/** One mark of the list: its picture, what it is, what is printed beneath, where, by whom, when. */
export const MarkRow = memo(function MarkRow(props: {
  row: ListedMark;
  page: PageBox;
  /** What the page is called. */
  pageName: string;
  words: string;
  picked: boolean;
  writable: boolean;
  /** How deep it stands in a line of writing. */
  depth?: number;
  onJump: (row: ListedMark) => void;
  onPick: (rows: readonly ListedMark[]) => void;
  onUnlock: (row: ListedMark) => void;
}) {
  const {
    row,
    page,
    pageName,
    words,
    picked,
    writable,
    depth = 0,
    onJump,
    onPick,
    onUnlock,
  } = props;
  const { colors } = useTheme();
  const { mark } = row;
  const { name } = row.words;
  const ink = inkOf(mark);
  const inked = ink === null ? '' : inkName(ink);
  const label = [name, inked, `page ${pageName}`, words].filter(Boolean);
  const made = [mark.author, dateOf(mark.madeAt)].filter(Boolean).join(' · ');
  return (
    <View
      style={[styles.row, { borderColor: colors.outlineVariant, paddingLeft: depth * STEP_IN }]}
    >
      <Pressable
        role="button"
        accessibilityLabel={`Go to ${label.join(', ')}`}
        onPress={() => onJump(row)}
        style={styles.main}
      >
        <Picture rows={[row]} page={page} width={PICTURE} height={PICTURE} />
        <View style={styles.words}>
          <Text variant="bodyMedium" numberOfLines={1}>
            {words === '' ? name : `${name}: ${words}`}
          </Text>
          <Text variant="bodySmall" numberOfLines={1} style={{ color: colors.onSurfaceVariant }}>
            {[`Page ${pageName}`, inked, made].filter(Boolean).join(' · ')}
          </Text>
        </View>
      </Pressable>
      {mark.locked ? (
        <Tooltip text="Locked: unlock it">
          <Pressable
            role="button"
            accessibilityLabel={`Unlock ${label.join(', ')}`}
            disabled={!writable}
            onPress={() => onUnlock(row)}
            style={styles.lock}
          >
            <Icon name="lock" size={20} color={colors.onSurface} />
          </Pressable>
        </Tooltip>
      ) : (
        <CheckBox
          label={`Pick ${label.join(', ')}`}
          hint={picked ? 'Deselect' : 'Pick'}
          on={picked}
          disabled={!writable}
          onPress={() => onPick([row])}
        />
      )}
    </View>
  );
});

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
  words: { flex: 1, minWidth: 0 },
  lock: { width: 44, height: 44, alignItems: 'center', justifyContent: 'center' },
});

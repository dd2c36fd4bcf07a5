import type { ContentsRow } from '@marginalis/core/guide';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useStore } from 'zustand';
import { FONT, Icon } from '@/ui';
import { BookmarkMenu } from './BookmarkMenu';
import { Naming } from './Naming';
import { naming } from './naming';

/** How much farther in a row stands than the one it belongs to, CSS pixels; no farther than so often. */
const STEP_IN = 16;
const DEEPEST = 6;

/** One line of the contents: what it leads to and the name of its page. Bookmarks have a flag. */
export const ContentsLine = memo(function ContentsLine(props: {
  row: ContentsRow;
  /** What its page is called; null where it leads nowhere in the document. */
  pageName: string | null;
  folded: boolean;
  here: boolean;
  writable: boolean;
  onGo: (row: ContentsRow) => void;
  onFold: (row: ContentsRow) => void;
}) {
  const { row, pageName, folded, here, writable, onGo, onFold } = props;
  const { title, depth, bookmark, holds, address } = row;
  const { colors } = useTheme();
  const isNamed = useStore(naming, ({ id }) => bookmark !== null && id === bookmark.id);
  const leads = pageName !== null || address !== null;
  return (
    <View
      style={[
        styles.row,
        { paddingLeft: STEP_IN * Math.min(depth, DEEPEST) },
        here && { backgroundColor: colors.secondaryContainer },
      ]}
    >
      {holds ? (
        <Pressable
          role="button"
          accessibilityLabel={`What is under ${title}`}
          aria-expanded={!folded}
          onPress={() => onFold(row)}
          style={styles.fold}
        >
          <Icon name={folded ? 'right' : 'down'} size={16} color={colors.onSurfaceVariant} />
        </Pressable>
      ) : (
        <View style={styles.sign}>
          {bookmark && <Icon name="flag" size={18} color={colors.primary} />}
        </View>
      )}
      {bookmark && isNamed ? (
        <Naming bookmark={bookmark} />
      ) : (
        <Pressable
          role="link"
          disabled={!leads}
          accessibilityLabel={[
            bookmark && 'Bookmark',
            title,
            pageName !== null && `page ${pageName}`,
            address,
          ]
            .filter(Boolean)
            .join(', ')}
          aria-current={here ? 'location' : undefined}
          onPress={() => onGo(row)}
          style={styles.main}
        >
          <Text
            variant="bodyMedium"
            numberOfLines={2}
            style={[
              styles.title,
              depth === 0 && !bookmark && styles.chapter,
              !leads && { color: colors.onSurfaceVariant },
            ]}
          >
            {title === '' ? 'No title' : title}
          </Text>
          <Text variant="bodySmall" style={[styles.page, { color: colors.onSurfaceVariant }]}>
            {pageName ?? (address ? '↗' : '')}
          </Text>
        </Pressable>
      )}
      {bookmark && writable && !isNamed && <BookmarkMenu bookmark={bookmark} />}
    </View>
  );
});

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 44, borderRadius: 3 },
  fold: { width: 32, height: 44, alignItems: 'center', justifyContent: 'center' },
  sign: { width: 32, alignItems: 'center' },
  main: {
    flex: 1,
    minWidth: 0,
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    paddingRight: 6,
  },
  title: { flex: 1 },
  chapter: { fontFamily: FONT.bold },
  page: { fontVariant: ['tabular-nums'] },
});

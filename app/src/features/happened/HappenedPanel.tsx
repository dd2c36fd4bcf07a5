import { type Happened, happenedIn, type ListedMark } from '@marginalis/core/derived';
import { useMemo } from 'react';
import { FlatList, Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { timeInWords, usePageNames, useSessionState } from '@/session';
import { goToMark, useReader } from '@/shell';
import { inWords } from './inWords';

/** Where it happened; null where that is gone. */
const placeOf = (happened: Happened): ListedMark | null =>
  happened.did === 'mark' ? happened.marks[0] : happened.note.about;

/** All that happened in the document, the last first; each leads to its place. */
export function HappenedPanel() {
  const reader = useReader();
  const { colors } = useTheme();
  const document = useSessionState((s) => s.document);
  const isRead = useSessionState((s) => s.phase !== 'opening');
  const nameOf = usePageNames();
  const all = useMemo(() => happenedIn(document), [document]);
  return (
    <View style={styles.panel}>
      {(!isRead || all.length === 0) && (
        <Text variant="bodySmall" role="status" style={{ color: colors.onSurfaceVariant }}>
          {isRead ? 'Nothing has been written here yet.' : 'Reading what happened …'}
        </Text>
      )}
      <FlatList
        data={all}
        keyExtractor={(_, k) => String(k)}
        initialNumToRender={14}
        windowSize={7}
        role="list"
        accessibilityLabel="What happened, the last first"
        style={styles.list}
        renderItem={({ item }) => {
          const place = placeOf(item);
          const { did, about } = inWords(item);
          const who = item.who || 'Somebody';
          const page = place ? `page ${nameOf(place.page)}` : 'its place is gone';
          return (
            <View role="listitem">
              <Pressable
                role="button"
                accessibilityLabel={`${who} ${did}, ${page}: ${about}`}
                disabled={!place}
                onPress={() => place && goToMark(reader, place)}
                style={[styles.row, { borderColor: colors.outlineVariant }]}
              >
                <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
                  {[timeInWords(item.at), page].join(' · ')}
                </Text>
                <Text variant="bodyMedium">
                  {who} {did}
                </Text>
                <Text
                  variant="bodySmall"
                  numberOfLines={2}
                  style={{ color: colors.onSurfaceVariant }}
                  {...{ dir: 'auto' }}
                >
                  {about}
                </Text>
              </Pressable>
            </View>
          );
        }}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { flex: 1, minHeight: 0, gap: 8 },
  list: { flex: 1 },
  row: { minHeight: 44, borderBottomWidth: 1, paddingVertical: 8, gap: 2 },
});

import { listNotes, type NoteHit, notesSaying } from '@marginalis/core/derived';
import type { FindOptions } from '@marginalis/core/print';
import { useMemo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { FONT } from '@/ui';

/** So many notes are shown by name; what is beyond them is counted. */
const MOST = 20;

/** The notes that say what is looked for, before what is printed; nothing where none does. */
export function NoteHits(props: { term: string; how: FindOptions; onGo: (hit: NoteHit) => void }) {
  const { term, how, onGo } = props;
  const notes = useSessionState((s) => listNotes(s.document));
  const { colors } = useTheme();
  const hits = useMemo(() => notesSaying(notes, term, how), [notes, term, how]);
  if (hits.length === 0) return null;
  return (
    <View role="group" aria-label="In notes" style={styles.all}>
      <Text variant="labelLarge">
        {hits.length === 1 ? 'In 1 note' : `In ${hits.length} notes`}
      </Text>
      {hits.slice(0, MOST).map((hit) => {
        const { note, quote } = hit;
        const { before, exact, after } = quote;
        return (
          <Pressable
            key={note.thread.id}
            role="button"
            accessibilityLabel={`Note ${note.number}: ${before}${exact}${after}`}
            disabled={!note.about}
            onPress={() => onGo(hit)}
            style={[styles.row, { borderColor: colors.outlineVariant }]}
          >
            <Text variant="labelLarge" style={{ color: colors.primary }}>
              {note.number}
            </Text>
            <Text variant="bodyMedium" numberOfLines={2} style={styles.words}>
              {before}
              <Text style={styles.exact}>{exact}</Text>
              {after}
            </Text>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { paddingHorizontal: 6 },
  row: {
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    borderBottomWidth: 1,
  },
  words: { flex: 1, minWidth: 0 },
  exact: { fontFamily: FONT.bold },
});

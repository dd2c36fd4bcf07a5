import { pageNamed } from '@marginalis/core/guide';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePageNames, useSession, useSessionState } from '@/session';
import { Action, Field, Sheet } from '@/ui';
import { pagesAsked } from './asked';
import { changePages } from './changePages';

/** Where pages are to stand: behind a page that is named, at the beginning, or at the end. */
export function MovePages({ onClose }: { onClose: () => void }) {
  const session = useSession();
  const { colors } = useTheme();
  const nameOf = usePageNames();
  const pages = useSessionState((s) => s.document.pages);
  const [{ ids }] = useState(() => pagesAsked.getState());
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState('');
  const move = (after: string | null): void => {
    changePages(session).move(ids, after);
    onClose();
  };
  const behind = (): void => {
    const index = pageNamed(
      pages.map((_, k) => nameOf(k)),
      typed,
    );
    if (index === null) setTrouble(`There is no page “${typed.trim()}”.`);
    else move(pages[index].id);
  };
  return (
    <Sheet
      title={ids.length === 1 ? 'Move a page' : `Move ${ids.length} pages`}
      open
      onClose={onClose}
    >
      <View style={styles.row}>
        <Field
          label="After page"
          value={typed}
          maxLength={40}
          style={styles.field}
          onChangeText={(text) => {
            setTyped(text);
            setTrouble('');
          }}
          onSubmitEditing={behind}
        />
        <Action mode="contained" disabled={typed.trim() === ''} onPress={behind}>
          Move
        </Action>
      </View>
      {trouble !== '' && (
        <Text role="alert" style={{ color: colors.error }}>
          {trouble}
        </Text>
      )}
      <View style={styles.row}>
        <Action mode="outlined" onPress={() => move(null)}>
          To the beginning
        </Action>
        <Action mode="outlined" onPress={() => move(pages.at(-1)?.id ?? null)}>
          To the end
        </Action>
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
  field: { flexGrow: 1, minWidth: 140 },
});

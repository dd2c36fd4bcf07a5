import { repeatMarks } from '@marginalis/core/editing';
import type { Mark } from '@marginalis/core/kinds';
import { pageRanges } from '@marginalis/core/leaving';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePageNames, useSession } from '@/session';
import { Action, Field } from '@/ui';

/** Puts copies of marks on other pages, at the same place: on those that are named, or on all of them. */
export function RepeatOnPages({ marks, onDone }: { marks: readonly Mark[]; onDone: () => void }) {
  const session = useSession();
  const nameOf = usePageNames();
  const { colors } = useTheme();
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState('');
  const { pages } = session.store.getState().document;
  const put = (indices: readonly number[]): void => {
    const { document } = session.store.getState();
    const ids = marks.map(({ id }) => id);
    const asked = repeatMarks(
      document,
      ids,
      indices.map((index) => document.pages[index].id),
      () => crypto.randomUUID(),
    );
    if (!asked) return setTrouble('These are on that page already.');
    session.dispatch(asked);
    onDone();
  };
  const putThere = (): void => {
    const named = pageRanges(
      typed,
      pages.map((_, index) => nameOf(index)),
    );
    if (named.ok) put(named.pages);
    else setTrouble(named.reason);
  };
  return (
    <View style={styles.all} role="group" aria-label="On other pages too">
      <Field
        label="On these pages too"
        placeholder="2-5, 9"
        value={typed}
        maxLength={200}
        style={styles.pages}
        onChangeText={(text) => {
          setTyped(text);
          setTrouble('');
        }}
        onSubmitEditing={putThere}
      />
      <Action mode="outlined" disabled={typed.trim() === ''} onPress={putThere}>
        Put there
      </Action>
      <Action mode="outlined" onPress={() => put(pages.map((_, index) => index))}>
        On every page
      </Action>
      {trouble !== '' && (
        <Text role="alert" style={{ color: colors.error }}>
          {trouble}
        </Text>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
  pages: { flexGrow: 1, minWidth: 160 },
});

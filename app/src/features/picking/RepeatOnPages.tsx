import { repeatMarks } from '@marginalis/core/editing';
import type { Mark } from '@marginalis/core/kinds';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePageNames, useSession } from '@/session';
import { PagesField } from '@/shell';
import { Action } from '@/ui';

/** Puts copies of marks on other pages, at the same place: on those that are named, or on all of them. */
export function RepeatOnPages({ marks, onDone }: { marks: readonly Mark[]; onDone: () => void }) {
  const session = useSession();
  const nameOf = usePageNames();
  const { colors } = useTheme();
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
  return (
    <View style={styles.all} role="group" aria-label="On other pages too">
      <PagesField
        label="On these pages too"
        names={pages.map((_, index) => nameOf(index))}
        action="Put there"
        onPages={put}
      >
        <Action mode="outlined" onPress={() => put(pages.map((_, index) => index))}>
          On every page
        </Action>
      </PagesField>
      {trouble !== '' && (
        <Text role="alert" style={{ color: colors.error }}>
          {trouble}
        </Text>
      )}
    </View>
  );
}

const styles = StyleSheet.create({ all: { gap: 4 } });

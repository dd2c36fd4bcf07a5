import { pageRanges } from '@marginalis/core/leaving';
import type { PageId } from '@marginalis/core/marks';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { usePageNames, useSessionState } from '@/session';
import { Field, MenuButton, MenuItems, type MenuWay } from '@/ui';

/** Pages chosen by what they are called, or many at once. */
export function ChoosePages({ onChoose }: { onChoose: (ids: readonly PageId[]) => void }) {
  const { colors } = useTheme();
  const nameOf = usePageNames();
  const pages = useSessionState((s) => s.document.pages);
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState('');
  const every = (isWanted: (index: number) => boolean): void =>
    onChoose(pages.filter((_, index) => isWanted(index)).map(({ id }) => id));
  const take = (): void => {
    if (typed.trim() === '') return;
    const named = pageRanges(
      typed,
      pages.map((_, index) => nameOf(index)),
    );
    if (named.ok) onChoose(named.pages.map((index) => pages[index].id));
    setTrouble(named.ok ? '' : named.reason);
  };
  const ways: readonly MenuWay[] = [
    { title: 'All pages', icon: 'pages', run: () => every(() => true) },
    { title: 'Odd pages', icon: 'pages', run: () => every((index) => index % 2 === 0) },
    { title: 'Even pages', icon: 'pages', run: () => every((index) => index % 2 === 1) },
    { title: 'None', icon: 'close', run: () => onChoose([]) },
  ];
  return (
    <View style={styles.all}>
      <View style={styles.row}>
        <Field
          label="Choose pages"
          placeholder="2-5, 9"
          value={typed}
          maxLength={200}
          style={styles.field}
          onChangeText={(text) => {
            setTyped(text);
            setTrouble('');
          }}
          onSubmitEditing={take}
          onBlur={take}
        />
        <MenuButton icon="list" label="Choose many">
          {(close) => <MenuItems ways={ways} close={close} />}
        </MenuButton>
      </View>
      {trouble !== '' && (
        <Text role="alert" style={{ color: colors.error }}>
          {trouble}
        </Text>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { flex: 1, minWidth: 0, gap: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 4 },
  field: { flex: 1, minWidth: 0 },
});

import type { PageId } from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { useReader } from '@/shell';
import { IconAction, MenuButton, MenuItems, type MenuWay, pagesInWords } from '@/ui';
import { pagesAsked } from './asked';
import { changePages } from './changePages';
import { ADD_PAPER, BRING_PAGES, CROP_PAGES, MOVE_PAGES, NUMBER_PAGES, WIDEN_PAGES } from './ids';
import { takeOut } from './takeOut';

/** What can be done with the pages that are chosen. */
export function PagesBar({ ids, onDone }: { ids: readonly PageId[]; onDone: () => void }) {
  const reader = useReader();
  const { session, shell } = reader;
  const { colors } = useTheme();
  const mayUndo = useSessionState((s) => s.writable && s.begun === null && s.history.done !== null);
  const none = ids.length === 0;
  const change = changePages(session);
  const ask = (dialog: string): void => {
    pagesAsked.setState({ ids });
    shell.openDialog(dialog);
  };
  const asDocument = (): Promise<void> => {
    const { pages } = session.store.getState().document;
    const indices = pages.flatMap(({ id }, index) => (ids.includes(id) ? [index] : []));
    const title = `${session.desk.title}, ${pagesInWords(ids.length)}`;
    return takeOut(reader, [{ title, pages: indices }]);
  };
  const together: readonly MenuWay[] =
    ids.length < 2
      ? []
      : [
          { title: 'Reverse their order', icon: 'flip', run: () => change.reverse(ids) },
          {
            title: 'Interleave two scans',
            icon: 'facing',
            run: () => change.interleave(ids, false),
          },
          {
            title: 'Interleave, second reversed',
            icon: 'facing',
            run: () => change.interleave(ids, true),
          },
        ];
  const ways: readonly MenuWay[] = [
    { title: 'Crop …', icon: 'crop', run: () => ask(CROP_PAGES) },
    { title: 'Room to write …', icon: 'fitPage', run: () => ask(WIDEN_PAGES) },
    { title: 'Page numbers …', icon: 'pages', run: () => ask(NUMBER_PAGES) },
    { title: 'Turn left', icon: 'turnLeft', run: () => change.turn(ids, 270) },
    { title: 'Turn upside down', icon: 'turn', run: () => change.turn(ids, 180) },
    ...together,
    { title: 'Add paper …', icon: 'addPage', run: () => ask(ADD_PAPER) },
    { title: 'Add pages after …', icon: 'addPage', run: () => ask(BRING_PAGES) },
    { title: 'Copy into a new document', icon: 'copy', run: () => void asDocument() },
  ];
  const said = none ? 'None chosen' : ids.length === 1 ? '1 chosen' : `${ids.length} chosen`;
  return (
    <View
      role="toolbar"
      aria-label="Chosen pages"
      style={[styles.bar, { borderColor: colors.outlineVariant }]}
    >
      <Text variant="bodySmall" role="status" style={styles.said}>
        {said}
      </Text>
      {/* On a phone the row of instruments lies beneath the table. */}
      <IconAction
        icon="undo"
        label="Undo"
        disabled={!mayUndo}
        onPress={() => void session.undo()}
      />
      <IconAction icon="move" label="Move …" disabled={none} onPress={() => ask(MOVE_PAGES)} />
      <IconAction
        icon="turn"
        label="Turn right"
        disabled={none}
        onPress={() => change.turn(ids, 90)}
      />
      <IconAction
        icon="duplicate"
        label="Duplicate pages"
        disabled={none}
        onPress={() => change.duplicate(ids)}
      />
      <IconAction
        icon="remove"
        label="Remove pages"
        disabled={none}
        onPress={() => change.remove(ids) && onDone()}
      />
      {none ? (
        <IconAction icon="more" label="More for these pages" disabled onPress={onDone} />
      ) : (
        <MenuButton icon="more" label="More for these pages">
          {(close) => <MenuItems ways={ways} close={close} />}
        </MenuButton>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1 },
  said: { flex: 1, minWidth: 0 },
});

import { type DrawerSort, foldersOf, LONGEST_ITEM_NAME, putIn } from '@marginalis/core/drawer';
import { inOrder, marksOn } from '@marginalis/core/document';
import { asText, kindFor, type Mark } from '@marginalis/core/kinds';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { keepInDrawer, lastOrder, useDrawer, useSession } from '@/session';
import { previewOf } from '@/stage';
import { Action, Choices, Field, Sheet, ToggleChip } from '@/ui';
import { SignatureTerms } from './SignatureTerms';

const SORTS = [
  { value: 'marks', label: 'Marks, each by itself' },
  { value: 'stamp', label: 'One stamp' },
  { value: 'signature', label: 'A signature' },
  { value: 'look', label: 'Its look, for other texts' },
] as const satisfies readonly { readonly value: DrawerSort; readonly label: string }[];

const isOneText = (marks: readonly Mark[]): boolean =>
  marks.length === 1 && asText(marks[0]) !== null;

/** What a thing is called until somebody says otherwise: what it says, or what it is. */
function nameOf(marks: readonly Mark[]): string {
  const words = marks.map((mark) => kindFor(mark).words(mark));
  const said = words
    .map(({ text }) => text)
    .filter(Boolean)
    .join(' ');
  return (said || words[0]?.name || '').slice(0, LONGEST_ITEM_NAME);
}

/** Puts what is picked in the drawer, under a name. */
export function PutInSheet({ onClose }: { onClose: () => void }) {
  const session = useSession();
  const items = useDrawer((s) => s.items) ?? [];
  useEffect(() => void useDrawer.getState().read(), []);
  const [marks] = useState(() => {
    const { document, picked } = session.store.getState();
    // What is on one page is taken together.
    return (
      document.pages
        .map(({ id }) => inOrder(marksOn(document, id)).filter((mark) => picked.has(mark.id)))
        .find((onPage) => onPage.length > 0) ?? []
    );
  });
  const [name, setName] = useState(() => nameOf(marks));
  const [folder, setFolder] = useState('');
  const [sort, setSort] = useState<DrawerSort>('marks');
  const [dated, setDated] = useState(false);
  // One text has a look that others can have.
  const sorts = SORTS.filter(({ value }) => value !== 'look' || isOneText(marks));
  const put = async (): Promise<void> => {
    const { document } = session.store.getState();
    const [{ page: id }] = marks;
    const page = document.pages.find((one) => one.id === id);
    if (!page) return;
    const made = putIn(
      document,
      marks.map((mark) => mark.id),
      {
        ...{ id: crypto.randomUUID(), name: name.trim(), folder: folder.trim(), sort, dated },
        ...{ order: lastOrder(items), madeAt: Date.now() },
        preview: await previewOf(marks, page),
      },
    );
    if (!made) session.notices.tell('Nothing of this can be put in the drawer.');
    else if (await keepInDrawer(session, [made.item], made.attachments))
      session.notices.offerUndo({
        text: `“${made.item.name}” is in the drawer.`,
        undo: () => void useDrawer.getState().remove([made.item]),
      });
    onClose();
  };
  return (
    <Sheet title="Put in the drawer" open onClose={onClose}>
      <Field label="Name" value={name} onChangeText={setName} maxLength={LONGEST_ITEM_NAME} />
      <Choices label="As" value={sort} onChange={setSort} choices={sorts} />
      {sort === 'signature' && <SignatureTerms dated={dated} onDated={setDated} />}
      <Field label="Folder" value={folder} onChangeText={setFolder} maxLength={LONGEST_ITEM_NAME} />
      <View style={styles.row}>
        {foldersOf(items).map((one) => (
          <ToggleChip key={one} label={one} on={one === folder} onPress={() => setFolder(one)} />
        ))}
      </View>
      <Text variant="bodySmall">
        {
          'In text {name}, {date}, {time}, {title}, {page} and {number} are filled in when it is taken out.'
        }
      </Text>
      <View style={styles.end}>
        <Action mode="contained" disabled={name.trim() === ''} onPress={() => void put()}>
          Put in
        </Action>
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  end: { flexDirection: 'row', justifyContent: 'flex-end', paddingTop: 8 },
});

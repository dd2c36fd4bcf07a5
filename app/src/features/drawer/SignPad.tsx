import { LONGEST_ITEM_NAME, type DrawerItem } from '@marginalis/core/drawer';
import { plainPage } from '@marginalis/core/geometry';
import type { InkMark } from '@marginalis/core/kinds';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { keepInDrawer, lastOrder, useSession, useSettings } from '@/session';
import { InkPad } from '@/shell';
import { previewOf } from '@/stage';
import { Action, Field } from '@/ui';
import { SignatureTerms } from './SignatureTerms';

/** The sheet is a page of its own, whose head is at 0: all that is written lies below. */
const SHEET = { ...plainPage(600, 800), box: { minX: 0, minY: -800, maxX: 600, maxY: 0 } };

/** A sheet to write one's signature on. */
export function SignPad(props: {
  items: readonly DrawerItem[];
  onDone: (item: DrawerItem | null) => void;
}) {
  const { items, onDone } = props;
  const session = useSession();
  const author = useSettings((s) => s.author);
  const [ink, setInk] = useState<readonly InkMark[]>([]);
  const [name, setName] = useState(author);
  const [dated, setDated] = useState(false);
  const keep = async (): Promise<void> => {
    const item: DrawerItem = {
      ...{ id: crypto.randomUUID(), name: name.trim(), folder: '', sort: 'signature', dated },
      ...{ page: SHEET, marks: ink, attachments: [] },
      ...{ order: lastOrder(items), uses: 0, usedAt: 0, madeAt: Date.now() },
      preview: await previewOf(ink, SHEET),
    };
    onDone((await keepInDrawer(session, [item])) ? item : null);
  };
  return (
    <View style={styles.all}>
      <InkPad label="Write your signature here" ink={ink} onInk={setInk} />
      <Field
        label="Whose signature it is"
        value={name}
        onChangeText={setName}
        maxLength={LONGEST_ITEM_NAME}
      />
      <SignatureTerms dated={dated} onDated={setDated} />
      <View style={styles.end}>
        <Action onPress={() => onDone(null)}>Back</Action>
        <Action
          mode="contained"
          disabled={ink.length === 0 || name.trim() === ''}
          onPress={() => void keep()}
        >
          Keep and sign
        </Action>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 8 },
  end: { flexDirection: 'row', justifyContent: 'flex-end', gap: 8 },
});

import { type DrawerItem, LONGEST_STAMP } from '@marginalis/core/drawer';
import { plainPage } from '@marginalis/core/geometry';
import { inkName, PEN_INKS } from '@marginalis/core/marks';
import { STAMP_FORMS, type StampDesign, type StampForm } from '@marginalis/core/stamps';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { keepInDrawer, lastOrder, stampFieldsFor, useDrawer, useSession } from '@/session';
import { PAPER, useReader } from '@/shell';
import { previewOf, setStamp } from '@/stage';
import { Action, Choices, Field, InkDrop, NumberField, Sheet, ToggleChip } from '@/ui';
import { StampPreview } from './StampPreview';

const FORMS: Readonly<Record<StampForm, string>> = {
  frame: 'Frame',
  double: 'Double frame',
  ring: 'Ring',
  pennant: 'Pennant',
  tag: 'Tag',
  underlined: 'Underlined',
};
/** What is filled in each time it is put on a page. */
const LIVE = [
  { field: '{name}', label: 'Your name' },
  { field: '{date}', label: 'Day' },
  { field: '{time}', label: 'Time' },
  { field: '{title}', label: 'Title' },
  { field: '{page}', label: 'Page' },
  { field: '{number}', label: 'Running number' },
] as const;
const [SMALLEST, LARGEST] = [6, 72];
/** What it lies on while it is in the drawer. */
const SHEET = plainPage(600, 800);

/** A stamp of one's own: what it says, what is around it, its ink and its size. */
export function MakeStamp(props: {
  onDone: (item: DrawerItem | null) => void;
  onClose: () => void;
}) {
  const { onDone, onClose } = props;
  const session = useSession();
  const { stage } = useReader();
  const [says, setSays] = useState('');
  const [form, setForm] = useState<StampForm>('frame');
  const [colour, setColour] = useState<string>(PEN_INKS[0].colour);
  const [size, setSize] = useState(12);
  const [id] = useState(() => crypto.randomUUID());
  const design: StampDesign = { id, says: says.trim(), form, colour, size };
  const keep = async (): Promise<void> => {
    const { current } = stage.getSight();
    const known = stampFieldsFor(session, current, new Date());
    const fields = { ...known, name: known.name || 'Your name', number: '1' };
    const page = stage.pages[current];
    const asked = { id, page: page.id, order: 0, madeAt: Date.now() };
    const stamp = await setStamp(design, fields, asked);
    if (!stamp) return onDone(null);
    const items = useDrawer.getState().items ?? [];
    const item: DrawerItem = {
      ...{ id, name: design.says, folder: '', sort: 'stamp', dated: false, design },
      ...{ page: SHEET, marks: [stamp], attachments: [] },
      ...{ order: lastOrder(items), uses: 0, usedAt: 0, madeAt: Date.now() },
      preview: await previewOf([stamp], SHEET),
    };
    onDone((await keepInDrawer(session, [item])) ? item : null);
  };
  const foot = (
    <View style={styles.end}>
      <Action onPress={() => onDone(null)}>Back</Action>
      <Action mode="contained" disabled={design.says === ''} onPress={() => void keep()}>
        Keep it in the drawer
      </Action>
    </View>
  );
  return (
    <Sheet title="A stamp of your own" open onClose={onClose} foot={foot}>
      <View style={styles.paper}>
        {design.says ? (
          <StampPreview design={design} />
        ) : (
          <Text variant="bodySmall" style={styles.onPaper}>
            Your stamp
          </Text>
        )}
      </View>
      <Field label="What it says" value={says} maxLength={LONGEST_STAMP} onChangeText={setSays} />
      <View role="group" aria-label="Filled in each time" style={styles.row}>
        {LIVE.map(({ field, label }) => (
          <ToggleChip
            key={field}
            label={label}
            on={says.includes(field)}
            onPress={() =>
              setSays(
                says.includes(field)
                  ? says.replaceAll(field, '').replace(/\s+/g, ' ').trim()
                  : `${says.trim()} ${field}`.trim().slice(0, LONGEST_STAMP),
              )
            }
          />
        ))}
      </View>
      <Choices
        label="Around it"
        value={form}
        onChange={setForm}
        choices={STAMP_FORMS.map((value) => ({ value, label: FORMS[value] }))}
      />
      <Choices
        label="Ink"
        value={colour}
        onChange={setColour}
        choices={PEN_INKS.map((ink) => ({
          value: ink.colour,
          label: inkName(ink.colour),
          sign: <InkDrop colour={ink.colour} />,
        }))}
      />
      <NumberField
        label="Size, points"
        value={size}
        least={SMALLEST}
        most={LARGEST}
        onChange={setSize}
      />
    </Sheet>
  );
}

const styles = StyleSheet.create({
  paper: {
    minHeight: 84,
    padding: 12,
    backgroundColor: PAPER,
    borderRadius: 4,
    alignItems: 'center',
    justifyContent: 'center',
  },
  onPaper: { color: '#5b6475' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  end: { flexDirection: 'row', justifyContent: 'flex-end', gap: 8 },
});

import {
  LARGEST_NUMBER,
  LONGEST_PREFIX,
  numberedName,
  type Numbering,
  type NumberStyle,
} from '@marginalis/core/document';
import {
  type NumberPlace,
  numberPages,
  printNumbers,
  removeNumbers,
} from '@marginalis/core/editing';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Divider, Text } from 'react-native-paper';
import { usePageNames, useSession, useSessionState, useSettings } from '@/session';
import { Action, Choices, Field, NumberField, pagesInWords, Sheet } from '@/ui';
import { pagesAsked } from './asked';

const STYLES: readonly { readonly value: NumberStyle; readonly label: string }[] = [
  { value: 'digits', label: '1, 2, 3' },
  { value: 'roman', label: 'i, ii, iii' },
  { value: 'ROMAN', label: 'I, II, III' },
  { value: 'letters', label: 'a, b, c' },
  { value: 'LETTERS', label: 'A, B, C' },
  { value: 'none', label: 'None' },
];
const PLACES: readonly { readonly value: NumberPlace; readonly label: string }[] = [
  { value: 'foot', label: 'Foot' },
  { value: 'footOuter', label: 'Foot, outside' },
  { value: 'head', label: 'Head' },
  { value: 'headOuter', label: 'Head, outside' },
];
const FIRST: Numbering = { style: 'digits', prefix: '', first: 1 };

/** What pages are called from one on, and whether that is printed on them. */
export function NumberPages({ onClose }: { onClose: () => void }) {
  const session = useSession();
  const nameOf = usePageNames();
  const pages = useSessionState((s) => s.document.pages);
  const [{ ids }] = useState(() => pagesAsked.getState());
  const begins = pages.find(({ id }) => ids.includes(id));
  const index = begins ? pages.indexOf(begins) : 0;
  const [numbering, setNumbering] = useState<Numbering>(begins?.numbering ?? FIRST);
  const change = (part: Partial<Numbering>): void => setNumbering({ ...numbering, ...part });
  const begin = (next: Numbering | null): void => {
    const { document } = session.store.getState();
    if (begins) session.dispatch(numberPages(document, begins.id, next));
  };
  const sample = [0, 1, 2].map((past) => numberedName(numbering, past) || '–').join(', ');
  return (
    <Sheet title="Page numbers" open onClose={onClose}>
      <Text>{`From page ${nameOf(index)} on, the ${ordinal(index + 1)} of the document:`}</Text>
      <Choices
        label="Numbers"
        choices={STYLES}
        value={numbering.style}
        onChange={(style) => change({ style })}
      />
      <View style={styles.row}>
        <NumberField
          label="Begin with"
          value={numbering.first}
          least={1}
          most={LARGEST_NUMBER}
          onChange={(first) => change({ first: Math.round(first) })}
        />
        <Field
          label="Before the number"
          placeholder="A-"
          value={numbering.prefix}
          maxLength={LONGEST_PREFIX}
          style={styles.prefix}
          onChangeText={(prefix) => change({ prefix })}
        />
      </View>
      <Text variant="bodySmall">{`So: ${sample} …`}</Text>
      <View style={styles.row}>
        <Action mode="contained" onPress={() => begin(numbering)}>
          Number from here
        </Action>
        {begins?.numbering && (
          <Action mode="outlined" onPress={() => begin(null)}>
            Go on as before
          </Action>
        )}
      </View>
      <Divider />
      <Printing chosen={ids} />
    </Sheet>
  );
}

/** Prints what pages are called on them. */
function Printing({ chosen }: { chosen: readonly string[] }) {
  const session = useSession();
  const nameOf = usePageNames();
  const pages = useSessionState((s) => s.document.pages);
  const author = useSettings((s) => s.author);
  const [place, setPlace] = useState<NumberPlace>('foot');
  const [many, setMany] = useState<'all' | 'chosen'>(chosen.length > 1 ? 'chosen' : 'all');
  const ids = many === 'all' ? pages.map(({ id }) => id) : chosen;
  const print = (): void => {
    const names = pages.map((_, index) => nameOf(index));
    const { document } = session.store.getState();
    session.dispatch(printNumbers(document, ids, { place, names, madeAt: Date.now(), author }));
  };
  const remove = (): void => {
    session.dispatch(removeNumbers(session.store.getState().document, ids));
  };
  return (
    <View style={styles.all}>
      <Choices label="Printed at the" choices={PLACES} value={place} onChange={setPlace} />
      <Choices
        label="On"
        value={many}
        onChange={setMany}
        choices={[
          { value: 'all', label: 'All pages' },
          {
            value: 'chosen',
            label: chosen.length === 1 ? 'This page' : `The ${pagesInWords(chosen.length)} chosen`,
          },
        ]}
      />
      <View style={styles.row}>
        <Action mode="outlined" onPress={print}>
          Print the numbers
        </Action>
        <Action onPress={remove}>Take them off</Action>
      </View>
    </View>
  );
}

/** 1st, 2nd, 3rd, 4th … */
function ordinal(n: number): string {
  const rest = n % 100;
  const ending = rest > 10 && rest < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${ending}`;
}

const styles = StyleSheet.create({
  all: { gap: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 },
  prefix: { flexGrow: 1, minWidth: 140 },
});

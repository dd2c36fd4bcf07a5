import {
  HIGHLIGHTER_INKS,
  type Ink,
  inkName,
  PEN_INKS,
  type WritingInstrument,
} from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useSettings } from '@/session';
import { Action, Choices, ColourInput, InkDrop } from '@/ui';

const inksFor = (kind: WritingInstrument['kind']): readonly Ink[] =>
  kind === 'highlighter' ? HIGHLIGHTER_INKS : PEN_INKS;

/** The palette, the person's own inks, and two ways to find another. */
export function InkChoices(props: { instrument: WritingInstrument; onPick: () => void }) {
  const { id, kind, colour } = props.instrument;
  const { change, inks: own, mixInk } = useSettings();
  const palette = inksFor(kind).map((ink) => ink.colour);
  const others = own.filter((c) => !palette.includes(c));
  const shown = [
    ...palette,
    ...others,
    ...(palette.includes(colour) || others.includes(colour) ? [] : [colour]),
  ];
  return (
    <>
      <Choices
        label="Ink"
        value={colour}
        onChange={(next) => change(id, { colour: next })}
        choices={shown.map((c) => ({ value: c, label: inkName(c), sign: <InkDrop colour={c} /> }))}
      />
      <View style={styles.row}>
        <ColourInput label="Mix another ink" value={colour} onChange={(next) => mixInk(id, next)} />
        <Text>Mix another ink</Text>
        <Action mode="outlined" onPress={props.onPick}>
          Pick from the page
        </Action>
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});

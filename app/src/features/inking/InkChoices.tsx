import {
  HIGHLIGHTER_INKS,
  type Ink,
  inkName,
  inksForManner,
  PEN_INKS,
  type TextInstrument,
  type WordMarker,
  type WritingInstrument,
} from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useSettings } from '@/session';
import { Action, Choices, ColourInput, InkDrop } from '@/ui';

type Inked = WritingInstrument | WordMarker | TextInstrument;

function inksFor(instrument: Inked): readonly Ink[] {
  if (instrument.kind === 'word-marker') return inksForManner(instrument.manner);
  return instrument.kind === 'highlighter' ? HIGHLIGHTER_INKS : PEN_INKS;
}

/** The palette, the person's own inks, and two ways to find another. */
export function InkChoices(props: { instrument: Inked; onPick: () => void }) {
  const { id, colour } = props.instrument;
  const { change, inks: own, mixInk } = useSettings();
  const palette = inksFor(props.instrument).map((ink) => ink.colour);
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

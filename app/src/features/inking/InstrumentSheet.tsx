import {
  HIGHLIGHTER_INKS,
  type Ink,
  type Instrument,
  PEN_INKS,
  type Tidy,
  WIDTHS_MM,
} from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { usePenRoll } from '@/session';
import { type Choice, Choices, Sheet } from '@/ui';

const TIDY: readonly Choice<Tidy>[] = [
  { value: 'ask', label: 'Ask' },
  { value: 'always', label: 'Always' },
  { value: 'never', label: 'Never' },
];
const STEADINESS = [0, 20, 40, 60, 80, 100].map((s) => ({ value: s, label: String(s) }));

const inksFor: Record<Instrument['kind'], readonly Ink[]> = {
  pen: PEN_INKS,
  'figure-pen': PEN_INKS,
  highlighter: HIGHLIGHTER_INKS,
  eraser: [],
};

/** Changes an instrument: its ink, width, steadiness and manner of tidying. */
export function InstrumentSheet({
  instrument,
  onClose,
}: {
  instrument: Instrument | null;
  onClose: () => void;
}) {
  const change = usePenRoll((r) => r.change);
  if (!instrument) return null;
  const { id, kind } = instrument;
  const inks = inksFor[kind];
  return (
    <Sheet title={instrument.name} open onClose={onClose}>
      {inks.length > 0 && (
        <Choices
          label="Ink"
          value={instrument.colour}
          onChange={(colour) => change(id, { colour })}
          choices={inks.map(({ colour, name }) => ({
            value: colour,
            label: name,
            sign: <View style={[styles.drop, { backgroundColor: colour }]} />,
          }))}
        />
      )}
      <Choices
        label={kind === 'eraser' ? 'Diameter, mm' : 'Width, mm'}
        value={instrument.widthMm}
        onChange={(widthMm) => change(id, { widthMm })}
        choices={WIDTHS_MM[kind].map((mm) => ({ value: mm, label: String(mm) }))}
      />
      {kind !== 'eraser' && (
        <Choices
          label="Steadiness"
          value={instrument.steadiness}
          onChange={(steadiness) => change(id, { steadiness })}
          choices={STEADINESS}
        />
      )}
      {(kind === 'pen' || kind === 'figure-pen') && (
        <Choices
          label="Tidy ink into figures"
          value={instrument.tidy}
          onChange={(tidy) => change(id, { tidy })}
          choices={TIDY}
        />
      )}
    </Sheet>
  );
}

const styles = StyleSheet.create({
  drop: {
    width: 18,
    height: 18,
    borderRadius: 9,
    borderWidth: StyleSheet.hairlineWidth,
    borderColor: '#77839a',
  },
});

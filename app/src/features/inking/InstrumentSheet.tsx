import {
  HIGHLIGHTER_INKS,
  type Ink,
  type Instrument,
  PEN_INKS,
  type Tidy,
  WIDTHS_MM,
} from '@marginalis/core/marks';
import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { SegmentedButtons, Text, useTheme } from 'react-native-paper';
import { usePenRoll } from '@/session';
import { Sheet } from '@/ui';

const TIDY: { value: Tidy; label: string }[] = [
  { value: 'ask', label: 'Ask' },
  { value: 'always', label: 'Always' },
  { value: 'never', label: 'Never' },
];
const STEADINESS = [0, 20, 40, 60, 80, 100];

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
  const inks: readonly Ink[] =
    kind === 'highlighter' ? HIGHLIGHTER_INKS : kind === 'eraser' ? [] : PEN_INKS;
  const tidies = kind === 'pen' || kind === 'figure-pen';
  return (
    <Sheet title={instrument.name} open onClose={onClose}>
      {inks.length > 0 && (
        <Group label="Ink">
          {inks.map((ink) => (
            <Choice
              key={ink.id}
              label={ink.name}
              chosen={ink.colour === instrument.colour}
              onPress={() => change(id, { colour: ink.colour })}
            >
              <View style={[styles.drop, { backgroundColor: ink.colour }]} />
            </Choice>
          ))}
        </Group>
      )}
      <Group label={kind === 'eraser' ? 'Diameter, mm' : 'Width, mm'}>
        {WIDTHS_MM[kind].map((mm) => (
          <Choice
            key={mm}
            label={String(mm)}
            chosen={mm === instrument.widthMm}
            onPress={() => change(id, { widthMm: mm })}
          />
        ))}
      </Group>
      {kind !== 'eraser' && (
        <Group label="Steadiness">
          {STEADINESS.map((s) => (
            <Choice
              key={s}
              label={String(s)}
              chosen={s === instrument.steadiness}
              onPress={() => change(id, { steadiness: s })}
            />
          ))}
        </Group>
      )}
      {tidies && (
        <View style={styles.group}>
          <Text variant="labelLarge">Tidy ink into figures</Text>
          <SegmentedButtons
            value={instrument.tidy}
            onValueChange={(tidy) => change(id, { tidy: tidy as Tidy })}
            buttons={TIDY}
          />
        </View>
      )}
    </Sheet>
  );
}

function Group({ label, children }: { label: string; children: ReactNode }) {
  return (
    <View style={styles.group} role="radiogroup" aria-label={label}>
      <Text variant="labelLarge">{label}</Text>
      <View style={styles.row}>{children}</View>
    </View>
  );
}

function Choice(props: {
  label: string;
  chosen: boolean;
  onPress: () => void;
  children?: ReactNode;
}) {
  const { colors } = useTheme();
  return (
    <Pressable
      role="radio"
      aria-checked={props.chosen}
      accessibilityLabel={props.label}
      onPress={props.onPress}
      style={[
        styles.choice,
        { borderColor: props.chosen ? colors.primary : colors.outlineVariant },
        props.chosen && { backgroundColor: colors.primaryContainer },
      ]}
    >
      {props.children}
      <Text style={{ color: props.chosen ? colors.onPrimaryContainer : colors.onSurface }}>
        {props.label}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  group: { gap: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  choice: {
    minWidth: 48,
    minHeight: 44,
    paddingHorizontal: 10,
    borderWidth: 1,
    borderRadius: 4,
    flexDirection: 'row',
    gap: 8,
    alignItems: 'center',
    justifyContent: 'center',
  },
  drop: {
    width: 18,
    height: 18,
    borderRadius: 9,
    borderWidth: StyleSheet.hairlineWidth,
    borderColor: '#77839a',
  },
});

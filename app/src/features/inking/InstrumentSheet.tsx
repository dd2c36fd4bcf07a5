import { isDragged } from '@marginalis/core/figures';
import {
  DRAWN_SHAPES,
  type DrawnShape,
  type FigurePen,
  type Instrument,
  type Tidy,
  WIDTHS_MM,
  writes,
  type WritingInstrument,
} from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { Divider } from 'react-native-paper';
import { useSettings, useSession } from '@/session';
import { TextLook } from '@/shell';
import { colourUnder } from '@/stage';
import { Action, type Choice, Choices, paperIcon, Sheet, withOwn } from '@/ui';
import { InkChoices } from './InkChoices';
import { SteadyWritten } from './SteadyWritten';
import { WordManners } from './WordManners';
import { Erasing } from './Erasing';
import { ResponseCurve } from './ResponseCurve';

const TIDY: readonly Choice<Tidy>[] = [
  { value: 'ask', label: 'Ask' },
  { value: 'always', label: 'Always' },
  { value: 'never', label: 'Never' },
];
const SHAPES: readonly Choice<DrawnShape>[] = DRAWN_SHAPES.map((value) => ({
  value,
  label: value[0].toUpperCase() + value.slice(1),
}));
const STEADINESS = [0, 20, 40, 60, 80, 100];
const OPACITIES = [0.25, 0.5, 0.75, 1];
type Line = 'free' | 'straight' | 'print';
const LINES: readonly Choice<Line>[] = [
  { value: 'free', label: 'As written' },
  { value: 'straight', label: 'Straight' },
  { value: 'print', label: 'Along the print' },
];
const lineOf = ({
  straight,
  alongPrint,
}: Pick<WritingInstrument, 'straight' | 'alongPrint'>): Line =>
  straight ? 'straight' : alongPrint ? 'print' : 'free';

/** Changes an instrument: its ink, width and manners, and its place in the roll. */
export function InstrumentSheet({
  instrument,
  onClose,
  onAdd,
}: {
  instrument: Instrument | null;
  onClose: () => void;
  /** Adds another instrument to the roll. */
  onAdd: () => void;
}) {
  const { change, mixInk } = useSettings();
  const { hand } = useSession();
  if (!instrument) return null;
  const { id, kind } = instrument;
  return (
    <Sheet title={instrument.name} open onClose={onClose}>
      {kind === 'highlighter' && (
        <Choices
          label="Line"
          value={lineOf(instrument)}
          onChange={(line) =>
            change(id, { straight: line === 'straight', alongPrint: line === 'print' })
          }
          choices={LINES}
        />
      )}
      {kind === 'word-marker' && <WordManners instrument={instrument} />}
      {(writes(instrument) || kind === 'word-marker' || kind === 'text-box') && (
        <InkChoices
          instrument={instrument}
          onPick={() => {
            hand.await({
              text: 'Touch the page where the ink’s colour is.',
              act: (page, { clientX, clientY }) => mixInk(id, colourUnder(page, clientX, clientY)),
            });
            onClose();
          }}
        />
      )}
      {'widthMm' in instrument &&
        !(kind === 'word-marker' && instrument.manner === 'highlight') && (
          <Choices
            label={kind === 'eraser' ? 'Diameter, mm' : 'Width, mm'}
            value={instrument.widthMm}
            onChange={(widthMm) => change(id, { widthMm })}
            choices={withOwn(WIDTHS_MM[kind], instrument.widthMm).map((mm) => ({
              value: mm,
              label: String(mm),
            }))}
          />
        )}
      {kind === 'eraser' && <Erasing instrument={instrument} onClose={onClose} />}
      {kind === 'picker' && (
        <Choices
          label="Goes round marks with"
          value={instrument.encloses}
          onChange={(encloses) => change(id, { encloses })}
          choices={[
            { value: 'lasso', label: 'A lasso' },
            { value: 'rectangle', label: 'A rectangle' },
          ]}
        />
      )}
      {kind === 'text-box' && <TextLook look={instrument} onChange={(next) => change(id, next)} />}
      {writes(instrument) && <Writing instrument={instrument} />}
      <Divider />
      <PlaceInRoll instrument={instrument} onClose={onClose} onAdd={onAdd} />
    </Sheet>
  );
}

/** How what writes writes. */
function Writing({ instrument }: { instrument: WritingInstrument }) {
  const { change } = useSettings();
  const { id, kind, nib } = instrument;
  const isFreehand = kind !== 'figure-pen' || instrument.shape === 'freehand';
  return (
    <>
      <Choices
        label="Opacity"
        value={instrument.opacity}
        onChange={(opacity) => change(id, { opacity })}
        choices={withOwn(OPACITIES, instrument.opacity).map((o) => ({
          value: o,
          label: `${Math.round(100 * o)} %`,
        }))}
      />
      {kind === 'figure-pen' && <Drawing instrument={instrument} />}
      {!instrument.straight && isFreehand && (
        <>
          <Choices
            label="Steadiness"
            value={instrument.steadiness}
            onChange={(steadiness) => change(id, { steadiness })}
            choices={withOwn(STEADINESS, instrument.steadiness).map((s) => ({
              value: s,
              label: String(s),
            }))}
          />
          <SteadyWritten steadiness={instrument.steadiness} />
        </>
      )}
      {nib.thinning > 0 && (
        <ResponseCurve
          value={nib.response}
          onChange={(response) => change(id, { nib: { ...nib, response } })}
        />
      )}
      {kind !== 'highlighter' && isFreehand && (
        <Choices
          label="Tidy ink into figures"
          value={instrument.tidy}
          onChange={(tidy) => change(id, { tidy })}
          choices={TIDY}
        />
      )}
    </>
  );
}

/** What a figure pen draws, and how. */
function Drawing({ instrument }: { instrument: FigurePen }) {
  const { change } = useSettings();
  const { id, shape, even, fromCentre } = instrument;
  return (
    <>
      <Choices
        label="Draws"
        value={shape}
        onChange={(next) => change(id, { shape: next })}
        choices={SHAPES}
      />
      {shape !== 'freehand' && (
        <Choices
          label="Sides and directions"
          value={even ? 'even' : 'free'}
          onChange={(next) => change(id, { even: next === 'even' })}
          choices={[
            { value: 'free', label: 'Free' },
            { value: 'even', label: 'Even' },
          ]}
        />
      )}
      {isDragged(shape) && (
        <Choices
          label="Begins"
          value={fromCentre ? 'centre' : 'corner'}
          onChange={(next) => change(id, { fromCentre: next === 'centre' })}
          choices={[
            { value: 'corner', label: 'At an end' },
            { value: 'centre', label: 'At the centre' },
          ]}
        />
      )}
    </>
  );
}

/** Moving, copying and removing, for those who do not drag. */
function PlaceInRoll(props: { instrument: Instrument; onClose: () => void; onAdd: () => void }) {
  const { instrument, onClose, onAdd } = props;
  const { roll, add, move, remove, bringBack } = useSettings();
  const { hand, notices } = useSession();
  const { id } = instrument;
  const place = roll.findIndex((i) => i.id === id);
  return (
    <View style={styles.row}>
      <Action disabled={place <= 0} onPress={() => move(id, place - 1)}>
        Move earlier
      </Action>
      <Action disabled={place >= roll.length - 1} onPress={() => move(id, place + 1)}>
        Move later
      </Action>
      <Action
        icon={paperIcon('plus')}
        onPress={() => {
          hand.choose(add(instrument, id));
          onClose();
        }}
      >
        Copy
      </Action>
      <Action onPress={onAdd}>Add another</Action>
      <Action
        icon={paperIcon('remove')}
        onPress={() => {
          remove(id);
          notices.offerUndo({
            text: `The ${instrument.name.toLowerCase()} is out of the roll.`,
            undo: () => bringBack(roll),
          });
          onClose();
        }}
      >
        Remove
      </Action>
    </View>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: 4 } });

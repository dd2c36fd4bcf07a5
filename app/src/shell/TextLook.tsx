import type { TextLookChange } from '@marginalis/core/editing';
import { POINTS_PER_MM } from '@marginalis/core/ink';
import { inkName, type TextInstrument } from '@marginalis/core/marks';
import type { Alignment, Family, List } from '@marginalis/core/type';
import { Choices, type Choice, InkDrop, SwitchRow, withOwn } from '@/ui';

const FACES: readonly Choice<Family>[] = [
  { value: 'sans', label: 'Sans' },
  { value: 'serif', label: 'Serif' },
  { value: 'mono', label: 'Mono' },
  { value: 'hand', label: 'Hand' },
];
const SIZES = [8, 9, 10, 11, 12, 14, 18, 24, 36];
const SIDES: readonly Choice<Alignment>[] = [
  { value: 'start', label: 'At the start' },
  { value: 'centre', label: 'Centred' },
  { value: 'end', label: 'At the end' },
];
const MARKERS: readonly Choice<List | 'none'>[] = [
  { value: 'none', label: 'None' },
  { value: 'bullets', label: 'Bullets' },
  { value: 'numbers', label: 'Numbers' },
];
const LEADINGS = [1, 1.15, 1.25, 1.5, 2];
const PADDINGS = [0, 2, 4, 8];
/** Width of cells, millimetres. */
const CELLS = [0, 4, 5, 6, 7, 8];
const BORDERS = [0, 0.5, 1, 2];
const NONE = '';

export type TextLookOf = Pick<
  TextInstrument,
  | 'family'
  | 'size'
  | 'bold'
  | 'italic'
  | 'underline'
  | 'align'
  | 'leading'
  | 'cell'
  | 'list'
  | 'fits'
  | 'padding'
  | 'background'
  | 'border'
>;

const hundredths = (n: number): number => Math.round(100 * n) / 100;
const numbers = (usual: readonly number[], own: number): readonly Choice<number>[] =>
  withOwn(usual, hundredths(own)).map((value) => ({ value, label: String(value) }));

/** What is behind a text: white hides the print beneath it, pale tints let it be told from print. */
const GROUNDS = ['#ffffff', '#fff6d6', '#e6f1fb', '#e8f3e6', '#fbe8e4'];
const GROUND_NAMES = ['White', 'Pale yellow', 'Pale blue', 'Pale green', 'Pale red'];

export type LetterLookOf = Pick<
  TextInstrument,
  'family' | 'size' | 'bold' | 'italic' | 'underline'
>;

/** How letters look, but for their ink. */
export function LetterLook({
  look,
  onChange,
}: {
  look: LetterLookOf;
  onChange: (change: Partial<LetterLookOf>) => void;
}) {
  return (
    <>
      <Choices
        label="Face"
        value={look.family}
        onChange={(family) => onChange({ family })}
        choices={FACES}
      />
      <Choices
        label="Size, pt"
        value={hundredths(look.size)}
        onChange={(size) => onChange({ size })}
        choices={numbers(SIZES, look.size)}
      />
      <SwitchRow label="Bold" on={look.bold} onChange={(bold) => onChange({ bold })} />
      <SwitchRow label="Italic" on={look.italic} onChange={(italic) => onChange({ italic })} />
      <SwitchRow
        label="Underlined"
        on={look.underline}
        onChange={(underline) => onChange({ underline })}
      />
    </>
  );
}

/** How typed text looks: its letters, its lines and its box. */
export function TextLook({
  look,
  onChange,
}: {
  look: TextLookOf;
  onChange: (change: TextLookChange) => void;
}) {
  const ground = look.background?.colour ?? NONE;
  const grounds = GROUNDS.includes(ground) || ground === NONE ? GROUNDS : [...GROUNDS, ground];
  return (
    <>
      <LetterLook look={look} onChange={onChange} />
      <Choices
        label="Lines stand"
        value={look.align}
        onChange={(align) => onChange({ align })}
        choices={SIDES}
      />
      <Choices
        label="Line spacing"
        value={hundredths(look.leading)}
        onChange={(leading) => onChange({ leading })}
        choices={numbers(LEADINGS, look.leading)}
      />
      <Choices
        label="List"
        value={look.list}
        onChange={(list) => onChange({ list })}
        choices={MARKERS}
      />
      <SwitchRow
        label="Keep the box’s height: letters shrink to fit"
        on={look.fits}
        onChange={(fits) => onChange({ fits })}
      />
      <Choices
        label="Cells for letters, mm"
        value={hundredths(look.cell / POINTS_PER_MM)}
        onChange={(cell) => onChange({ cell: cell * POINTS_PER_MM })}
        choices={numbers(CELLS, look.cell / POINTS_PER_MM).map((choice) =>
          choice.value === 0 ? { ...choice, label: 'None' } : choice,
        )}
      />
      <Choices
        label="Background"
        value={ground}
        onChange={(colour) =>
          onChange({ background: colour === NONE ? null : { colour, opacity: 1 } })
        }
        choices={[
          { value: NONE, label: 'None' },
          ...grounds.map((value) => ({
            value,
            label: GROUND_NAMES[GROUNDS.indexOf(value)] ?? inkName(value),
            sign: <InkDrop colour={value} />,
          })),
        ]}
      />
      <Choices
        label="Border, pt"
        value={hundredths(look.border)}
        onChange={(border) => onChange({ border })}
        choices={numbers(BORDERS, look.border)}
      />
      <Choices
        label="Room inside, pt"
        value={hundredths(look.padding)}
        onChange={(padding) => onChange({ padding })}
        choices={numbers(PADDINGS, look.padding)}
      />
    </>
  );
}

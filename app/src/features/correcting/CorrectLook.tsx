import { inkName, PEN_INKS } from '@marginalis/core/marks';
import type { Family, LetterStyle } from '@marginalis/core/type';
import { Text, useTheme } from 'react-native-paper';
import { useSettings } from '@/session';
import { Choices, InkDrop, NumberField, SwitchRow } from '@/ui';
import type { AskedLine } from './asked';

const FAMILIES: readonly { readonly value: Family | 'print'; readonly label: string }[] = [
  { value: 'serif', label: 'Serif' },
  { value: 'sans', label: 'Sans' },
  { value: 'mono', label: 'Mono' },
];
const AS_PRINTED = { value: 'print', label: 'As printed' } as const;
const [SMALLEST, LARGEST] = [2, 200];

/** Points as they are shown. */
export const tenths = (points: number): number => Math.round(10 * points) / 10;

/** How a corrected line is to look: as the print does, or otherwise. */
export function CorrectLook(props: {
  asked: AskedLine;
  look: LetterStyle;
  /** It is set in the print's own letters. */
  isOwn: boolean;
  /** Signs that these lack, as they are told; empty where they lack none, or are not asked for. */
  lacking: string;
  onChange: (part: Partial<LetterStyle>) => void;
  onOwn: (on: boolean) => void;
}) {
  const { asked, look, isOwn, lacking, onChange, onOwn } = props;
  const { colors } = useTheme();
  const own = useSettings((s) => s.inks);
  const pens = PEN_INKS.map(({ colour }) => colour);
  const inks = [...new Set([asked.ink, ...pens, ...own, look.colour])];
  return (
    <>
      <Choices
        label="Face"
        choices={asked.letters ? [AS_PRINTED, ...FAMILIES] : FAMILIES}
        value={isOwn ? 'print' : look.family}
        onChange={(family) => {
          onOwn(family === 'print');
          if (family !== 'print') onChange({ family });
        }}
      />
      {lacking !== '' && (
        <Text role="status" variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
          {`The print has no letter for ${lacking}: others are taken.`}
        </Text>
      )}
      <NumberField
        label="Size, points"
        value={tenths(look.size)}
        least={SMALLEST}
        most={LARGEST}
        onChange={(size) => onChange({ size })}
      />
      <Choices
        label="Ink"
        value={look.colour}
        onChange={(colour) => onChange({ colour })}
        choices={inks.map((colour) => ({
          value: colour,
          label: colour === asked.ink ? 'As printed' : inkName(colour),
          sign: <InkDrop colour={colour} />,
        }))}
      />
      {!isOwn && (
        <>
          <SwitchRow label="Bold" on={look.bold} onChange={(bold) => onChange({ bold })} />
          <SwitchRow label="Italic" on={look.italic} onChange={(italic) => onChange({ italic })} />
        </>
      )}
    </>
  );
}

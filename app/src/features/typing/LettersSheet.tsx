import { inkName, PEN_INKS } from '@marginalis/core/marks';
import type { LetterStyle } from '@marginalis/core/type';
import { useState } from 'react';
import { useSettings } from '@/session';
import { LetterLook } from '@/shell';
import { Choices, InkDrop, Sheet } from '@/ui';

/** How the letters look that are selected, or that are typed next: face, size, ink and manner. */
export function LettersSheet(props: {
  look: LetterStyle;
  /** Some are selected: those change, and not what is typed next. */
  some: boolean;
  onChange: (change: Partial<LetterStyle>) => void;
  onClose: () => void;
}) {
  const { some, onChange, onClose } = props;
  const own = useSettings((s) => s.inks);
  const [look, setLook] = useState(props.look);
  const change = (next: Partial<LetterStyle>): void => {
    setLook({ ...look, ...next });
    onChange(next);
  };
  const inks = [...new Set([...PEN_INKS.map(({ colour }) => colour), ...own, look.colour])];
  return (
    <Sheet title={some ? 'Selected letters' : 'Letters typed next'} open onClose={onClose}>
      <LetterLook look={look} onChange={change} />
      <Choices
        label="Ink"
        value={look.colour}
        onChange={(colour) => change({ colour })}
        choices={inks.map((value) => ({
          value,
          label: inkName(value),
          sign: <InkDrop colour={value} />,
        }))}
      />
    </Sheet>
  );
}

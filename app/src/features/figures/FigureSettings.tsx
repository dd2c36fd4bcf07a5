import { useSettings } from '@/session';
import { SwitchRow } from '@/ui';

/** How figures that were read are made regular. */
export function FigureSettings() {
  const { settle, setSettle } = useSettings();
  return (
    <>
      <SwitchRow
        label="Straighten figures that lean a little"
        on={settle.upright}
        onChange={(upright) => setSettle({ ...settle, upright })}
      />
      <SwitchRow
        label="Let figures meet others, and printed dots; lines stay with both"
        on={settle.meet}
        onChange={(meet) => setSettle({ ...settle, meet })}
      />
    </>
  );
}

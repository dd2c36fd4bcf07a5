import { useSettings } from '@/session';
import { SwitchRow } from '@/ui';

/** Whether lines grow with what is scaled. */
export function WidthSetting() {
  const { widthFollows, setWidthFollows } = useSettings();
  return (
    <SwitchRow
      label="Lines grow thicker with what is scaled"
      on={widthFollows}
      onChange={setWidthFollows}
    />
  );
}

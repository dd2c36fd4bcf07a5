import { Menu } from 'react-native-paper';
import { usePenRoll } from '@/session';
import { paperIcon } from '@/ui';

/** Entries of the view menu: how figures are made regular. */
export function SettleItems({ close }: { close: () => void }) {
  const { settle, setSettle } = usePenRoll();
  const item = (part: 'upright' | 'meet', title: string) => (
    <Menu.Item
      leadingIcon={settle[part] ? paperIcon('check') : paperIcon('minus')}
      title={title}
      accessibilityLabel={`${title}: ${settle[part] ? 'on' : 'off'}`}
      onPress={() => {
        close();
        setSettle({ ...settle, [part]: !settle[part] });
      }}
    />
  );
  return (
    <>
      {item('upright', 'Straighten figures')}
      {item('meet', 'Figures meet others')}
    </>
  );
}

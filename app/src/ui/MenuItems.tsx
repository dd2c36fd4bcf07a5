import { Menu } from 'react-native-paper';
import { type IconName, paperIcon } from './icons';

/** Something that a menu offers. */
export interface MenuWay {
  readonly title: string;
  readonly icon: IconName;
  readonly run: () => void;
}

/** What a menu offers, one beneath the other; it is closed before what is chosen is done. */
export function MenuItems({ ways, close }: { ways: readonly MenuWay[]; close: () => void }) {
  return ways.map(({ title, icon, run }) => (
    <Menu.Item
      key={title}
      title={title}
      leadingIcon={paperIcon(icon)}
      onPress={() => {
        close();
        run();
      }}
    />
  ));
}

import { Menu } from 'react-native-paper';
import { useReader } from '@/shell';
import { MenuButton, paperIcon } from '@/ui';

/** Everything else that can be done with the selected words. */
export function MoreForWords() {
  const reader = useReader();
  return (
    <MenuButton icon="more" label="More for these words">
      {(close) =>
        reader
          .commands()
          .filter(({ forWords, chip, able }) => forWords && !chip && (able?.() ?? true))
          .map(({ id, forWords, icon = 'more', run }) => (
            <Menu.Item
              key={id}
              title={forWords}
              leadingIcon={paperIcon(icon)}
              onPress={() => {
                close();
                run();
              }}
            />
          ))
      }
    </MenuButton>
  );
}

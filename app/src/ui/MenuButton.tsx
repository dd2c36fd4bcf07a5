import { type ReactNode, useState } from 'react';
import { View } from 'react-native';
import { Menu } from 'react-native-paper';
import { IconAction } from './IconAction';
import type { IconName } from './icons';

/** A button that opens a menu below itself. `children` is given what closes the menu. */
export function MenuButton(props: {
  icon: IconName;
  label: string;
  children: (close: () => void) => ReactNode;
}) {
  const { icon, label, children } = props;
  const [button, setButton] = useState<View | null>(null);
  const [at, setAt] = useState<{ x: number; y: number } | null>(null);
  const open = () => button?.measureInWindow((x, y, _w, h) => setAt({ x, y: y + h }));
  const close = () => {
    setAt(null);
    (button as unknown as HTMLElement | null)?.focus();
  };
  return (
    <>
      <IconAction
        hold={setButton}
        icon={icon}
        label={label}
        menu={{ open: at !== null }}
        onPress={open}
      />
      {/* Mounted only while open: a closed menu would pull the focus to its button. */}
      {at && (
        <Menu visible onDismiss={close} anchor={at}>
          <View role="menu" aria-label={label}>
            {children(close)}
          </View>
        </Menu>
      )}
    </>
  );
}

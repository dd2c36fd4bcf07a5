import type { Ref } from 'react';
import { StyleSheet, type View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { Tooltip } from './Tooltip';
import { type IconName, paperIcon } from './icons';

/** A button that is a sign only: as large as a finger needs, told in words by its tooltip and to those who do not see it. */
export function IconAction(props: {
  icon: IconName;
  label: string;
  /** As people read them. */
  keys?: string;
  size?: number;
  colour?: string;
  disabled?: boolean;
  /** Whether what it switches is on. */
  on?: boolean;
  /** It opens a menu, and whether that is open. */
  menu?: { readonly open: boolean };
  hold?: Ref<View>;
  onPress: () => void;
}) {
  const { icon, label, keys, size = 22, colour, disabled, on, menu, hold, onPress } = props;
  return (
    <Tooltip text={label} keys={keys}>
      <IconButton
        ref={hold}
        icon={paperIcon(icon)}
        size={size}
        iconColor={colour}
        selected={on}
        disabled={disabled}
        accessibilityLabel={label}
        aria-pressed={on}
        aria-haspopup={menu ? 'menu' : undefined}
        aria-expanded={menu?.open}
        onPress={onPress}
        style={styles.place}
      />
    </Tooltip>
  );
}

const styles = StyleSheet.create({ place: { width: 44, height: 44, margin: 0 } });

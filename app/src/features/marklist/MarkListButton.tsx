import { StyleSheet } from 'react-native';
import { IconButton } from 'react-native-paper';
import { paperIcon } from '@/ui';

/** Opens and closes the list of marks. */
export function MarkListButton({ open, onToggle }: { open: boolean; onToggle: () => void }) {
  return (
    <IconButton
      icon={paperIcon('list')}
      size={22}
      selected={open}
      accessibilityLabel="List of marks"
      aria-pressed={open}
      onPress={onToggle}
      style={styles.button}
    />
  );
}

const styles = StyleSheet.create({ button: { width: 44, height: 44, margin: 0 } });

import { IconButton } from 'react-native-paper';
import { StyleSheet, useWindowDimensions } from 'react-native';
import { Action, paperIcon, WIDE_FROM } from '@/ui';
import { SendSheet } from './SendSheet';

export function SendButton({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const show = () => onOpen(true);
  return (
    <>
      {wide ? (
        <Action mode="contained" icon={paperIcon('send')} onPress={show} style={styles.wide}>
          Send
        </Action>
      ) : (
        <IconButton
          icon={paperIcon('send')}
          size={22}
          accessibilityLabel="Send"
          onPress={show}
          style={styles.tool}
        />
      )}
      {open && <SendSheet onClose={() => onOpen(false)} />}
    </>
  );
}

const styles = StyleSheet.create({
  wide: { marginHorizontal: 8 },
  tool: { width: 44, height: 44, margin: 0 },
});

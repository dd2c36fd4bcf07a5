import { useState } from 'react';
import { Button, IconButton } from 'react-native-paper';
import { StyleSheet, useWindowDimensions } from 'react-native';
import { paperIcon, WIDE_FROM } from '@/ui';
import { SendSheet } from './SendSheet';

export function SendButton() {
  const [open, setOpen] = useState(false);
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const show = () => setOpen(true);
  return (
    <>
      {wide ? (
        <Button mode="contained" icon={paperIcon('send')} onPress={show} style={styles.wide}>
          Send
        </Button>
      ) : (
        <IconButton
          icon={paperIcon('send')}
          size={22}
          accessibilityLabel="Send"
          onPress={show}
          style={styles.tool}
        />
      )}
      {open && <SendSheet onClose={() => setOpen(false)} />}
    </>
  );
}

const styles = StyleSheet.create({
  wide: { marginHorizontal: 8 },
  tool: { width: 44, height: 44, margin: 0 },
});

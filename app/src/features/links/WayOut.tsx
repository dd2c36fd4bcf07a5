import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useStore } from 'zustand';
import { useSession } from '@/session';
import { Action, Sheet } from '@/ui';

/** Shows where a link leads out of the document, and goes there when the person wants to. */
export function WayOut() {
  const { leadsOut } = useSession();
  const address = useStore(leadsOut.store, (s) => s.address);
  if (!address) return null;
  const isMail = /^mailto:/i.test(address);
  const go = (): void => {
    window.open(address, '_blank', 'noopener,noreferrer');
    leadsOut.close();
  };
  return (
    <Sheet
      title={isMail ? 'Write to this address?' : 'Leave for this address?'}
      open
      onClose={leadsOut.close}
    >
      <Text selectable style={styles.address}>
        {isMail ? address.replace(/^mailto:/i, '') : address}
      </Text>
      <Text variant="bodySmall">
        {isMail
          ? 'Your mail program opens.'
          : `It opens in a tab of its own. The document comes from ${hostOf(address)} or from somebody else: go only where you mean to.`}
      </Text>
      <View style={styles.row}>
        <Action onPress={leadsOut.close}>Stay here</Action>
        <Action mode="contained" onPress={go}>
          {isMail ? 'Write' : 'Go there'}
        </Action>
      </View>
    </Sheet>
  );
}

/** The part of an address that says whose it is. */
function hostOf(address: string): string {
  return URL.canParse(address) ? new URL(address).host : address;
}

const styles = StyleSheet.create({
  address: { paddingVertical: 8, wordBreak: 'break-all' } as object,
  row: { flexDirection: 'row', justifyContent: 'flex-end', gap: 8, paddingTop: 12 },
});

import { type ReactNode, useCallback } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import { type DocumentSession, SessionContext } from '@/session';
import type { DeskDocument } from '@/storage';
import { CarryContext, Sheet } from '@/ui';
import { SendSheet } from './SendSheet';
import { useAtHand } from './useAtHand';

/** What leaves a document that lies on the desk: it need not be opened for that. */
export function SendFromDesk(props: { document: DeskDocument; onClose: () => void }) {
  const { document, onClose } = props;
  const atHand = useAtHand(document);
  const { colors } = useTheme();
  if (atHand.phase === 'open')
    return (
      <WithSession session={atHand.session}>
        <SendSheet onClose={onClose} inSight={null} />
      </WithSession>
    );
  return (
    <Sheet title="Send" open onClose={onClose}>
      {atHand.phase === 'failed' ? (
        <Text role="alert" style={{ color: colors.error }}>
          {atHand.message}
        </Text>
      ) : (
        <View style={styles.waiting} aria-busy>
          <ActivityIndicator accessibilityLabel={`Reading ${document.title}`} />
        </View>
      )}
    </Sheet>
  );
}

/** Lets what hangs in it, sheets too, know the document. */
function WithSession({ session, children }: { session: DocumentSession; children: ReactNode }) {
  const hold = useCallback(
    (content: ReactNode) => (
      <SessionContext.Provider value={session}>{content}</SessionContext.Provider>
    ),
    [session],
  );
  return hold(<CarryContext.Provider value={hold}>{children}</CarryContext.Provider>);
}

const styles = StyleSheet.create({ waiting: { paddingVertical: 40 } });

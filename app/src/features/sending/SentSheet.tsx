import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';
import { readSent, type Sent } from '@/storage';
import { Action, ago, Sheet, useNow } from '@/ui';
import { MadeLink } from './MadeLink';
import { SENT_KEY } from './noteSent';
import { sentInWords } from './sentInWords';
import { useLinks } from './useLinks';

/** Rows at once: the server is asked for the link of each. */
const AT_ONCE = 20;

/** What has left this device, the last first: of one document, or of all. */
export function SentSheet(props: { documentId?: string; onClose: () => void }) {
  const { documentId, onClose } = props;
  const { data } = useSWR(SENT_KEY, readSent);
  const { colors } = useTheme();
  const [shown, setShown] = useState(AT_ONCE);
  const sent = data?.filter((one) => documentId === undefined || one.documentId === documentId);
  return (
    <Sheet title="What was sent" open onClose={onClose}>
      {sent?.length === 0 && (
        <Text style={{ color: colors.onSurfaceVariant }}>
          Nothing was sent from this device yet. Copies that leave, and links to them, are listed
          here.
        </Text>
      )}
      <View role="list" aria-label="What was sent" style={styles.list}>
        {sent?.slice(0, shown).map((one) => (
          <SentRow key={`${one.at} ${one.fileName}`} sent={one} />
        ))}
      </View>
      {sent && sent.length > shown && (
        <Action onPress={() => setShown(shown + AT_ONCE)}>Show earlier ones</Action>
      )}
    </Sheet>
  );
}

function SentRow({ sent }: { sent: Sent }) {
  const { colors } = useTheme();
  const now = useNow();
  return (
    <View role="listitem" style={[styles.row, { borderColor: colors.outlineVariant }]}>
      <Text variant="titleSmall">{sent.fileName}</Text>
      <Text style={{ color: colors.onSurfaceVariant }}>
        {sentInWords(sent)}, {ago(sent.at, now)}
      </Text>
      {sent.how === 'link' && sent.token !== null && <SentLink sent={sent} token={sent.token} />}
    </View>
  );
}

/** How the link stands by which something left. */
function SentLink({ sent: { documentId, title }, token }: { sent: Sent; token: string }) {
  const { colors } = useTheme();
  const { kept, withdraw, trouble } = useLinks(documentId, title);
  const link = kept?.find((one) => one.token === token);
  const quiet = { color: colors.onSurfaceVariant };
  if (!kept) return null;
  if (!link) return <Text style={quiet}>Its link is not kept on this device any more.</Text>;
  if (link.withdrawn) return <Text style={quiet}>Its link was withdrawn.</Text>;
  return (
    <>
      {trouble && <Text role="alert">{trouble}</Text>}
      <MadeLink link={link} onWithdraw={() => void withdraw(link)} />
    </>
  );
}

const styles = StyleSheet.create({
  list: { gap: 12 },
  row: { gap: 6, borderTopWidth: 1, paddingTop: 12 },
});

import { isExpired } from '@marginalis/core/wire';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import type { KeptLink } from '@/storage';
import { Action, Area, useNow } from '@/ui';
import type { Links } from './useLinks';

const linkUrl = (token: string): string => `${window.location.origin}/s/${token}`;

/** The links to copies of a document, which can be copied and withdrawn. */
export function LinksMade({ links }: { links: Links }) {
  const { made, attempts, trouble, withdraw } = links;
  const head = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // The button has just been pressed at the foot of the sheet: what came of it is to be seen.
    if (attempts > 0) head.current?.scrollIntoView({ block: 'nearest' });
  }, [attempts]);
  const [newest, ...older] = made;
  const shown = (link: KeptLink) => (
    <MadeLink key={link.token} link={link} onWithdraw={() => withdraw(link)} />
  );
  return (
    <View style={styles.all}>
      <Area ref={head}>
        <View style={styles.all}>
          {trouble && <Text role="alert">{trouble}</Text>}
          {newest && shown(newest)}
        </View>
      </Area>
      {older.map(shown)}
    </View>
  );
}

function MadeLink({ link, onWithdraw }: { link: KeptLink; onWithdraw: () => void }) {
  const { colors } = useTheme();
  const [copied, setCopied] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const url = linkUrl(link.token);
  const expired = isExpired(link, useNow());
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(url);
      setCopied('Copied');
    } catch {
      // Refused by the person or the browser, or not there at an address that is not secure.
      setCopied('Select and copy it by hand');
    }
  };
  return (
    <View style={[styles.link, { borderColor: colors.outlineVariant }]}>
      <Text selectable testID="link" numberOfLines={2} style={styles.url}>
        {url}
      </Text>
      <Text style={{ color: colors.onSurfaceVariant }}>
        {expired ? 'Expired' : 'Until'}{' '}
        {new Date(link.expiresAt).toLocaleString(undefined, {
          dateStyle: 'medium',
          timeStyle: 'short',
        })}
      </Text>
      {asking && (
        <Text role="alert">Withdraw this link? Nobody who has it can open it any more.</Text>
      )}
      <View style={styles.row}>
        {asking ? (
          <>
            <Action onPress={() => setAsking(false)}>Keep it</Action>
            <Action onPress={onWithdraw}>Withdraw</Action>
          </>
        ) : (
          <>
            {!expired && <Action onPress={copy}>{copied ?? 'Copy'}</Action>}
            <Action onPress={expired ? onWithdraw : () => setAsking(true)}>
              {expired ? 'Forget' : 'Withdraw …'}
            </Action>
          </>
        )}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 10 },
  link: { borderWidth: 1, borderRadius: 4, padding: 10, gap: 4 },
  url: { fontSize: 13 },
  row: { flexDirection: 'row', justifyContent: 'flex-end' },
});

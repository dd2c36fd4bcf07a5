import { isExpired } from '@marginalis/core/wire';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import type { KeptLink } from '@/storage';
import { Action, useNow } from '@/ui';
import { LinkCode } from './LinkCode';
import { OpeningTimes } from './OpeningTimes';
import { openingsInWords } from './openingsInWords';
import { useOpenings } from './useOpenings';

const linkUrl = (token: string): string => `${window.location.origin}/s/${token}`;

/** A link that can be copied, shown as a code, renewed and withdrawn, and how often it was opened. */
export function MadeLink(props: {
  link: KeptLink;
  onWithdraw: () => void;
  /** Puts the copy that is asked for under this link; none where no copy is. */
  onRenew?: () => void;
}) {
  const { link, onWithdraw, onRenew } = props;
  const { colors } = useTheme();
  const [copied, setCopied] = useState<string | null>(null);
  const [asking, setAsking] = useState<'withdraw' | 'renew' | null>(null);
  const [isCode, setCode] = useState(false);
  const [isWhen, setWhen] = useState(false);
  const url = linkUrl(link.token);
  const now = useNow();
  const expired = isExpired(link, now);
  const { openings, trouble } = useOpenings(link);
  const quiet = { color: colors.onSurfaceVariant };
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
      <Text style={quiet}>
        {expired ? 'Expired' : 'Until'}{' '}
        {new Date(link.expiresAt).toLocaleString(undefined, {
          dateStyle: 'medium',
          timeStyle: 'short',
        })}
        {link.viewOnly && ' · view only'}
        {link.locked && ' · asks for a password'}
      </Text>
      <Text style={quiet} testID="openings">
        {openings ? openingsInWords(openings, now) : (trouble ?? ' ')}
      </Text>
      {isWhen && openings && <OpeningTimes openings={openings} />}
      {isCode && <LinkCode url={url} />}
      {asking === 'withdraw' && (
        <Text role="alert">Withdraw this link? Nobody who has it can open it any more.</Text>
      )}
      {asking === 'renew' && (
        <Text role="alert">
          Put this copy in the place of the one the link leads to? Whoever opens it next sees this
          one.
        </Text>
      )}
      <View style={styles.row}>
        {asking ? (
          <>
            <Action onPress={() => setAsking(null)}>Keep it</Action>
            <Action
              onPress={() => {
                setAsking(null);
                if (asking === 'renew') onRenew?.();
                else onWithdraw();
              }}
            >
              {asking === 'renew' ? 'Renew' : 'Withdraw'}
            </Action>
          </>
        ) : (
          <>
            {!expired && <Action onPress={copy}>{copied ?? 'Copy'}</Action>}
            {!expired && (
              <Action onPress={() => setCode(!isCode)}>{isCode ? 'Hide code' : 'QR code'}</Action>
            )}
            {openings && openings.count > 0 && (
              <Action onPress={() => setWhen(!isWhen)}>{isWhen ? 'Hide times' : 'Times'}</Action>
            )}
            {!expired && onRenew && <Action onPress={() => setAsking('renew')}>Renew …</Action>}
            <Action onPress={expired ? onWithdraw : () => setAsking('withdraw')}>
              {expired ? 'Forget' : 'Withdraw …'}
            </Action>
          </>
        )}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  link: { borderWidth: 1, borderRadius: 4, padding: 10, gap: 4 },
  url: { fontSize: 13 },
  row: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'flex-end' },
});

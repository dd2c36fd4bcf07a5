import { isExpired, LINK_DAYS, MOST_LINK_BYTES } from '@marginalis/core/wire';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';
import { createLink, ServerError, withdrawLink } from '@/remote';
import { type KeptLink, keepLinks, readLinks } from '@/storage';
import { Action, Choices, paperIcon, useNow, sizeInWords } from '@/ui';

const KEY_REFUSED =
  'The browser’s storage refuses the key that withdraws a link, so no link was made. Free some space and try again.';

const linkUrl = (token: string): string => `${window.location.origin}/s/${token}`;

/** Makes a link to the fixed copy, and shows those made before, which can be withdrawn. */
export function LinkSection(props: {
  documentId: string;
  title: string;
  fileName: string;
  bytes: Uint8Array;
}) {
  const { documentId, title, fileName, bytes } = props;
  const { data: links, mutate } = useSWR(`links/${documentId}`, () => readLinks(documentId));
  const [days, setDays] = useState<(typeof LINK_DAYS)[number]>(7);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const tooLarge = bytes.length > MOST_LINK_BYTES;

  const attempt = async (act: () => Promise<void>) => {
    setBusy(true);
    setTrouble(null);
    try {
      await act();
    } catch (e) {
      if (!(e instanceof ServerError)) throw e;
      setTrouble(e.message);
    } finally {
      setBusy(false);
    }
  };
  const keep = async (next: KeptLink[]) => {
    await keepLinks(documentId, next);
    await mutate(next);
  };
  const make = () =>
    attempt(async () => {
      const made = await createLink({ fileName, title, days }, bytes);
      try {
        await keep([{ ...made, fileName }, ...(await readLinks(documentId))]);
      } catch {
        // Nobody could ever withdraw a link whose key is lost.
        await withdrawLink(made.token, made.ownerKey);
        setTrouble(KEY_REFUSED);
      }
    });
  const withdraw = (link: KeptLink) =>
    attempt(async () => {
      try {
        await withdrawLink(link.token, link.ownerKey);
      } catch (e) {
        // Gone already, by expiry or from another place: that is what was wanted.
        if (!(e instanceof ServerError && (e.status === 404 || e.status === 410))) throw e;
      }
      await keep((await readLinks(documentId)).filter((l) => l.token !== link.token));
    });

  return (
    <View style={styles.section}>
      <Text variant="titleMedium" role="heading" aria-level={3}>
        A link
      </Text>
      <Text>
        Whoever has it can read and download this copy, until it expires or you withdraw it.
      </Text>
      <Choices
        label="It lasts"
        value={days}
        onChange={setDays}
        choices={LINK_DAYS.map((d) => ({ value: d, label: d === 1 ? '1 day' : `${d} days` }))}
      />
      <Action
        mode="outlined"
        icon={paperIcon('link')}
        onPress={make}
        loading={busy}
        disabled={busy || tooLarge}
      >
        Make a link
      </Action>
      {tooLarge && (
        <Text role="alert">
          This copy is larger than {sizeInWords(MOST_LINK_BYTES)}, the most a link can carry.
          Download it instead.
        </Text>
      )}
      {trouble && <Text role="alert">{trouble}</Text>}
      {(links ?? []).map((link) => (
        <MadeLink key={link.token} link={link} onWithdraw={() => withdraw(link)} />
      ))}
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
  section: { gap: 10 },
  link: { borderWidth: 1, borderRadius: 4, padding: 10, gap: 4 },
  url: { fontSize: 13 },
  row: { flexDirection: 'row', justifyContent: 'flex-end' },
});

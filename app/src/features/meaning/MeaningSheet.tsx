import type { Sense } from '@marginalis/core/wire';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';
import { useSession, useSettings } from '@/session';
import { Action, Sheet } from '@/ui';
import { lookUp, searchAddress } from './lookUp';
import { wordChosen } from './wordChosen';

/** What the selected word means. */
export function MeaningSheet({ onClose }: { onClose: () => void }) {
  const session = useSession();
  const { colors } = useTheme();
  const searchAt = useSettings((s) => s.searchAt);
  // The selection may go while the sheet is open.
  const [word] = useState(() => wordChosen(session.words.store.getState().parts) ?? '');
  const { data, error } = useSWR<Awaited<ReturnType<typeof lookUp>>, Error>(
    word && ['meaning', word],
    () => lookUp(word),
    { shouldRetryOnError: false, revalidateOnFocus: false },
  );
  const address = searchAddress(searchAt, word);
  return (
    <Sheet title={word} open onClose={onClose}>
      <View style={styles.all} aria-busy={!data && !error}>
        {!data && !error && <ActivityIndicator accessibilityLabel="Looking it up" />}
        {error && (
          <Text role="alert">
            {`${error.message} Words that were looked up before are known without it.`}
          </Text>
        )}
        {data?.senses.length === 0 && <Text>The lexical database does not know this word.</Text>}
        {data &&
          byLemma(data.senses).map(([title, senses]) => (
            <View key={title} style={styles.lemma}>
              <Text variant="titleMedium" role="heading" aria-level={3}>
                {title}
              </Text>
              {senses.map((sense, k) => (
                <View key={k} style={styles.sense}>
                  <Text style={styles.number}>{`${k + 1}.`}</Text>
                  <View style={styles.said}>
                    <Text selectable>{sense.meaning}</Text>
                    {sense.examples.map((example) => (
                      <Text
                        key={example}
                        variant="bodySmall"
                        style={[styles.example, { color: colors.onSurfaceVariant }]}
                      >
                        {example}
                      </Text>
                    ))}
                    {sense.alike.length > 0 && (
                      <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
                        {`Also: ${sense.alike.join(', ')}`}
                      </Text>
                    )}
                  </View>
                </View>
              ))}
            </View>
          ))}
        {address && (
          <Action
            mode="outlined"
            onPress={() => {
              onClose();
              session.leadsOut.ask(address);
            }}
          >
            Search the web for it
          </Action>
        )}
        {data && data.senses.length > 0 && (
          <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
            From WordNet 3.1, Princeton University.
          </Text>
        )}
      </View>
    </Sheet>
  );
}

/** Senses under the word and part of speech that they are of: "mouse, noun". */
function byLemma(senses: readonly Sense[]): [string, Sense[]][] {
  const groups = new Map<string, Sense[]>();
  for (const sense of senses) {
    const title = `${sense.lemma}, ${sense.part}`;
    groups.set(title, [...(groups.get(title) ?? []), sense]);
  }
  return [...groups];
}

const styles = StyleSheet.create({
  all: { gap: 14, paddingVertical: 8 },
  lemma: { gap: 6 },
  sense: { flexDirection: 'row', gap: 8 },
  number: { minWidth: 20, textAlign: 'right', fontVariant: ['tabular-nums'] },
  said: { flex: 1, gap: 2 },
  example: { fontStyle: 'italic' },
});

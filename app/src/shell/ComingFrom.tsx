import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';
import { type Coming, DESK_KEY, deskDocuments, pagesOfDocument, pagesOfFiles } from '@/session';
import { useReader } from './ReaderContext';
import { Action, pagesInWords, pickFile, pickFiles } from '@/ui';
import { LockedFile } from './LockedFile';

/** Pages that are there to be chosen from. */
export type There = Extract<Coming, { ok: true }>;

/** What cannot be read without a password. */
interface Locked {
  readonly name: string;
  readonly read: (password?: string) => Promise<Coming>;
}

/** Where pages are to come from: a file, or another document on the desk where that is wanted. */
export function ComingFrom(props: {
  /** Documents on the desk are offered, too. */
  desk?: boolean;
  /** Several files may be given at once. */
  several?: boolean;
  onComing: (coming: There) => void;
}) {
  const { desk = true, several = false, onComing } = props;
  const { session } = useReader();
  const { colors } = useTheme();
  const { data, error } = useSWR(DESK_KEY, deskDocuments);
  const [waits, setWaits] = useState(false);
  const [trouble, setTrouble] = useState('');
  const [reading, setReading] = useState('');
  const all = desk ? (data?.documents ?? []) : [];
  const others = all.filter(({ id }) => id !== session.desk.id);
  const [locked, setLocked] = useState<Locked | null>(null);
  const take = async (name: string, read: Locked['read'], password?: string): Promise<void> => {
    setTrouble('');
    setWaits(true);
    try {
      const coming = await read(password);
      if (coming.ok) return onComing(coming);
      if (coming.isLocked) setLocked({ name: coming.name ?? name, read });
      // That it is locked is said by the field that asks for its password.
      if (!coming.isLocked || password !== undefined) setTrouble(coming.message);
    } catch (e) {
      setTrouble(e instanceof Error ? e.message : String(e));
    } finally {
      setWaits(false);
    }
  };
  const fromFile = async (): Promise<void> => {
    const one = several ? [] : [await pickFile('application/pdf')];
    const files = several
      ? await pickFiles('application/pdf')
      : one.filter((file) => file !== null);
    if (files.length === 0) return;
    await take(
      files[0].name,
      pagesOfFiles(files, (read, of) => setReading(read < of ? `${read} of ${of} files read` : '')),
    );
    setReading('');
  };
  if (locked)
    return (
      <LockedFile
        name={locked.name}
        refusal={trouble}
        waits={waits}
        onPassword={(password) => void take(locked.name, locked.read, password)}
        onOther={() => {
          setLocked(null);
          setTrouble('');
        }}
      />
    );
  return (
    <View style={styles.all}>
      <View style={styles.row}>
        <Action mode="contained" disabled={waits} onPress={() => void fromFile()}>
          {several ? 'From files …' : 'From a file …'}
        </Action>
        {waits && <ActivityIndicator accessibilityLabel="Reading its pages" />}
        {reading !== '' && (
          <Text role="status" variant="bodySmall">
            {reading}
          </Text>
        )}
      </View>
      {trouble !== '' && (
        <Text role="alert" style={{ color: colors.error }}>
          {trouble}
        </Text>
      )}
      {desk && error && <Text role="alert">The documents on the desk could not be read.</Text>}
      {others.length > 0 && <Text variant="titleSmall">From the desk</Text>}
      {others.map((one) => (
        <Pressable
          key={one.id}
          role="button"
          disabled={waits}
          onPress={() => void take(one.title, (password) => pagesOfDocument(one, password))}
          style={styles.document}
        >
          <Text variant="bodyLarge" numberOfLines={1}>
            {one.title}
          </Text>
          <Text variant="bodySmall" style={{ color: colors.onSurfaceVariant }}>
            {pagesInWords(one.count ?? one.pages.length)}
          </Text>
        </Pressable>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 12 },
  document: { minHeight: 52, justifyContent: 'center' },
});

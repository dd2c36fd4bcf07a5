import { useEffect, useRef, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { ActivityIndicator, Text, useTheme } from 'react-native-paper';
import useSWR from 'swr';
import {
  type Coming,
  DESK_KEY,
  deskDocuments,
  pagesOfDocument,
  pagesOfFiles,
  type Reading,
} from '@/session';
import { useReader } from './ReaderContext';
import { Action, AskPassword, pagesInWords, pickFile, pickFiles } from '@/ui';

/** Pages that are there to be chosen from. */
export type There = Extract<Coming, { ok: true }>;

const PDF = 'application/pdf';
const onlyOne = (file: File | null): readonly File[] => (file ? [file] : []);

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
  /** The file that is locked. */
  const [locked, setLocked] = useState<string | null>(null);
  const wanted = useRef<Reading | null>(null);
  const letGo = (): void => {
    void wanted.current?.drop();
    wanted.current = null;
  };
  useEffect(() => letGo, []);
  /** Reads them, with a password where one was asked for; why they cannot be read, in words. */
  const take = async (
    name: string,
    reading: Reading,
    password?: string,
  ): Promise<string | null> => {
    wanted.current = reading;
    try {
      const coming = await reading.read(password);
      // Closed meanwhile.
      if (wanted.current !== reading) {
        await reading.drop();
        return null;
      }
      if (coming.ok) {
        wanted.current = null;
        onComing(coming);
        return null;
      }
      const next = coming.name ?? name;
      if (coming.isLocked) setLocked(next);
      // That it is locked is said by what asks for its password.
      return coming.isLocked && (password === undefined || next !== name) ? null : coming.message;
    } catch (e) {
      return e instanceof Error ? e.message : String(e);
    }
  };
  const begin = async (name: string, reading: Reading): Promise<void> => {
    setTrouble('');
    setWaits(true);
    setTrouble((await take(name, reading)) ?? '');
    setWaits(false);
  };
  const fromFile = async (): Promise<void> => {
    const files = several ? await pickFiles(PDF) : onlyOne(await pickFile(PDF));
    if (files.length === 0) return;
    await begin(
      files[0].name,
      pagesOfFiles(files, (read, of) => setReading(read < of ? `${read} of ${of} files read` : '')),
    );
    setReading('');
  };
  if (locked !== null)
    return (
      <View style={styles.all}>
        <Text>{`“${locked}” is locked with a password, which stays in this tab only.`}</Text>
        <AskPassword
          // The next file has another password.
          key={locked}
          open={async (password) => wanted.current && take(locked, wanted.current, password)}
        >
          <Action
            onPress={() => {
              letGo();
              setLocked(null);
            }}
          >
            Another file …
          </Action>
        </AskPassword>
      </View>
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
          onPress={() => void begin(one.title, pagesOfDocument(one))}
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

import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { readPageWords, ServerError, sharedFilePath } from '@/remote';
import { useSight } from '@/stage';
import { Action, paperIcon, WIDE_FROM } from '@/ui';
import { GuestNotes } from './GuestNotes';
import { printPages } from './printPages';
import type { Shown } from './useShared';

/** What is shown, where one is in it, and what may be done with it. */
export function GuestBar(props: {
  token: string;
  shown: Shown;
  onTrouble: (message: string) => void;
}) {
  const { token, shown, onTrouble } = props;
  const { told, pages, served } = shown;
  const { colors } = useTheme();
  const [isNotes, setNotes] = useState(false);
  const wide = useWindowDimensions().width >= WIDE_FROM;
  return (
    <View
      role="banner"
      style={[
        styles.bar,
        { backgroundColor: colors.surface, borderColor: colors.outlineVariant, gap: wide ? 12 : 4 },
      ]}
    >
      <Text
        variant={wide ? 'titleMedium' : 'titleSmall'}
        role="heading"
        aria-level={1}
        numberOfLines={wide ? 1 : 2}
        style={styles.title}
      >
        {told.title}
      </Text>
      <Place count={pages.length} />
      {told.mayAnswer && (
        <Action compact onPress={() => setNotes(true)}>
          Notes
        </Action>
      )}
      {isNotes && <GuestNotes token={token} guest={told.guest} onClose={() => setNotes(false)} />}
      {told.view?.mayCopy && <CopyWords token={token} onTrouble={onTrouble} />}
      {served && told.view?.mayPrint && (
        <Print count={pages.length} served={served} onTrouble={onTrouble} />
      )}
      {!served && (
        <Action
          mode="contained"
          compact
          icon={paperIcon('download')}
          onPress={() => fetchFile(token, told.fileName)}
          contentStyle={styles.main}
        >
          Download
        </Action>
      )}
      {served && !told.view?.mayPrint && !told.view?.mayCopy && !told.mayAnswer && (
        <Text style={{ color: colors.onSurfaceVariant }}>View only</Text>
      )}
    </View>
  );
}

function Place({ count }: { count: number }) {
  const { current } = useSight();
  const { colors } = useTheme();
  return (
    <Text style={{ color: colors.onSurfaceVariant }}>
      {current + 1} / {count}
    </Text>
  );
}

/** Copies the words of the page that is in sight. */
function CopyWords(props: { token: string; onTrouble: (message: string) => void }) {
  const { token, onTrouble } = props;
  const { current } = useSight();
  const [copied, setCopied] = useState<number | null>(null);
  const copy = async () => {
    try {
      const text = await readPageWords(token, current);
      if (text === '') return onTrouble('There are no words on this page that could be copied.');
      await navigator.clipboard.writeText(text);
      return setCopied(current);
    } catch (e) {
      return onTrouble(
        e instanceof ServerError
          ? e.message
          : 'The browser does not let words be copied from here.',
      );
    }
  };
  return (
    <Action compact onPress={copy}>
      {copied === current ? 'Copied' : 'Copy words'}
    </Action>
  );
}

function Print(props: {
  count: number;
  served: NonNullable<Shown['served']>;
  onTrouble: (message: string) => void;
}) {
  const { count, served, onTrouble } = props;
  const [done, setDone] = useState<number | null>(null);
  const print = async () => {
    setDone(0);
    try {
      await printPages(served.pictures, count, setDone);
    } catch (e) {
      if (!(e instanceof ServerError)) throw e;
      onTrouble(e.message);
    } finally {
      setDone(null);
    }
  };
  return (
    <Action
      mode="contained"
      compact
      onPress={print}
      disabled={done !== null}
      contentStyle={styles.main}
    >
      {done === null ? 'Print' : `Page ${Math.min(done + 1, count)} of ${count}`}
    </Action>
  );
}

function fetchFile(token: string, fileName: string): void {
  const link = document.createElement('a');
  link.href = sharedFilePath(token);
  link.download = fileName;
  link.click();
}

const styles = StyleSheet.create({
  bar: {
    minHeight: 52,
    flexDirection: 'row',
    alignItems: 'center',
    paddingLeft: 16,
    paddingRight: 8,
    borderBottomWidth: 1,
    zIndex: 2,
  },
  title: { flex: 1 },
  main: { paddingHorizontal: 8 },
});

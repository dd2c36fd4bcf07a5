import type { FixedCopy } from '@marginalis/core/pdf';
import { listMarks, listRows } from '@marginalis/core/derived';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Divider, ProgressBar, Text, useTheme } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { Action, download, paperIcon, Sheet, sizeInWords } from '@/ui';
import { copyFileName } from './fileName';
import { LinkSection } from './LinkSection';
import { useFixedCopy } from './useFixedCopy';

/** Makes the fixed copy and offers the ways out. The original is never replaced. */
export function SendSheet({ onClose }: { onClose: () => void }) {
  const session = useSession();
  const { colors } = useTheme();
  const document = useSessionState((s) => s.document);
  // As people count them: a line of writing is one.
  const marks = useMemo(() => listRows(listMarks(document)).length, [document]);
  const { state, make, stop } = useFixedCopy();
  const fileName = copyFileName(session.desk.title);
  useEffect(make, []); // eslint-disable-line react-hooks/exhaustive-deps -- once, when the sheet opens
  const close = () => {
    stop();
    onClose();
  };

  return (
    <Sheet title="Send" open onClose={close}>
      <View style={styles.file}>
        <Text variant="titleMedium" selectable>
          {fileName}
        </Text>
        <Text style={{ color: colors.onSurfaceVariant }}>
          {marksInWords(marks)} The original stays as it is.
        </Text>
      </View>
      {session.desk.signed && (
        <Text style={{ color: colors.error }}>
          The original is signed. A fixed copy no longer carries the signature.
        </Text>
      )}
      {state.phase === 'making' && (
        <View style={styles.making} role="status">
          <Text>
            Making the fixed copy: page {state.done} of {state.all}
          </Text>
          <ProgressBar
            progress={state.all === 0 ? 0 : state.done / state.all}
            accessibilityLabel="Pages finished"
          />
          <Action onPress={close}>Stop</Action>
        </View>
      )}
      {state.phase === 'failed' && (
        <View style={styles.making}>
          <Text role="alert" style={{ color: colors.error }}>
            {state.message}
          </Text>
          <Action mode="outlined" onPress={make}>
            Try again
          </Action>
        </View>
      )}
      {state.phase === 'made' && (
        <>
          <Ways copy={state.copy} fileName={fileName} />
          <Divider />
          <LinkSection
            documentId={session.desk.id}
            title={session.desk.title}
            fileName={fileName}
            bytes={state.copy.bytes}
          />
        </>
      )}
    </Sheet>
  );
}

const MOST_NAMED = 5;

/** The first few of many, and how many more there are. */
const fewOf = (names: readonly string[]): readonly string[] =>
  names.length <= MOST_NAMED
    ? names
    : [...names.slice(0, MOST_NAMED), `and ${names.length - MOST_NAMED} more`];
const marksInWords = (count: number): string =>
  count === 0
    ? 'There are no marks on it yet.'
    : `${count === 1 ? '1 mark' : `${count} marks`} drawn into the pages.`;

/** Download, and the system's share sheet where there is one. */
function Ways({ copy, fileName }: { copy: FixedCopy; fileName: string }) {
  const { colors } = useTheme();
  const [trouble, setTrouble] = useState<string | null>(null);
  const file = new File([copy.bytes as Uint8Array<ArrayBuffer>], fileName, {
    type: 'application/pdf',
  });
  const canShare = navigator.canShare?.({ files: [file] }) ?? false;
  const share = () =>
    navigator.share({ files: [file], title: fileName }).catch((e: unknown) => {
      // Closing the share sheet is no failure.
      if (!(e instanceof DOMException && e.name === 'AbortError'))
        setTrouble('The system could not share the file. Download it instead.');
    });
  const dropped = [...new Set(copy.annotationsDropped)];
  const lost = fewOf([...new Set(copy.linksDropped)]);
  return (
    <View style={styles.ways}>
      <Text role="status" testID="copy-made" style={{ color: colors.onSurfaceVariant }}>
        Ready: {copy.pages === 1 ? '1 page' : `${copy.pages} pages`},{' '}
        {sizeInWords(copy.bytes.length)}.
        {copy.annotationsDrawn > 0
          ? ` ${copy.annotationsDrawn} annotations of the original were drawn in.`
          : ''}
        {dropped.length > 0
          ? ` Left out, since they show nothing on the page: ${dropped.join(', ')}.`
          : ''}
        {copy.encryptionLost ? ' The original is encrypted; this copy is not.' : ''}
        {lost.length > 0 ? ` Links that do not work in the copy: ${lost.join(', ')}.` : ''}
        {copy.formDamaged
          ? ' Its form is damaged: fields that bring no picture of their own are missing.'
          : ''}
      </Text>
      <View style={styles.row}>
        <Action mode="contained" icon={paperIcon('download')} onPress={() => download(file)}>
          Download
        </Action>
        {canShare && (
          <Action mode="outlined" icon={paperIcon('send')} onPress={share}>
            Share
          </Action>
        )}
      </View>
      {trouble && <Text role="alert">{trouble}</Text>}
    </View>
  );
}

const styles = StyleSheet.create({
  file: { gap: 4 },
  making: { gap: 10 },
  ways: { gap: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
});

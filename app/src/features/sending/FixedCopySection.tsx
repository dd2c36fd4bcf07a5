import type { FixedCopy } from '@marginalis/core/pdf';
import { useEffect, useMemo, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { Divider, ProgressBar, Text, useTheme } from 'react-native-paper';
import { useSession } from '@/session';
import { Action, sizeInWords } from '@/ui';
import { LinkSection } from './LinkSection';
import { type CopyOfPart, useFixedCopy } from './useFixedCopy';
import { WaysOut } from './WaysOut';

/** What is asked for rests so long before another copy is made, ms. */
const RESTED = 350;

/** Makes the fixed copy of a document or of some of its pages, and offers the ways out. */
export function FixedCopySection(props: {
  part: CopyOfPart['part'];
  notes: CopyOfPart['notes'];
  fileName: string;
  onStop: () => void;
}) {
  const { part, notes, fileName, onStop } = props;
  const session = useSession();
  const { colors } = useTheme();
  const { state, make, stop } = useFixedCopy();
  const isFirst = useRef(true);
  useEffect(() => {
    const waiting = setTimeout(() => make({ part, notes }), isFirst.current ? 0 : RESTED);
    isFirst.current = false;
    return () => {
      clearTimeout(waiting);
      stop();
    };
  }, [make, stop, part, notes]);
  return (
    <>
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
          <Action onPress={onStop}>Stop</Action>
        </View>
      )}
      {state.phase === 'failed' && (
        <View style={styles.making}>
          <Text role="alert" style={{ color: colors.error }}>
            {state.message}
          </Text>
          <Action mode="outlined" onPress={() => make({ part, notes })}>
            Try again
          </Action>
        </View>
      )}
      {state.phase === 'made' && (
        <>
          <Made copy={state.copy} fileName={fileName} />
          <Divider />
          <LinkSection
            documentId={session.desk.id}
            title={session.desk.title}
            fileName={fileName}
            bytes={state.copy.bytes}
          />
        </>
      )}
    </>
  );
}

const MOST_NAMED = 5;

/** The first few of many, and how many more there are. */
const fewOf = (names: readonly string[]): readonly string[] =>
  names.length <= MOST_NAMED
    ? names
    : [...names.slice(0, MOST_NAMED), `and ${names.length - MOST_NAMED} more`];

/** What a copy has become, and the ways out of it. */
function Made({ copy, fileName }: { copy: FixedCopy; fileName: string }) {
  const { colors } = useTheme();
  const dropped = [...new Set(copy.annotationsDropped)];
  const lost = fewOf([...new Set(copy.linksDropped)]);
  const file = useMemo(
    () => new File([copy.bytes as Uint8Array<ArrayBuffer>], fileName, { type: 'application/pdf' }),
    [copy, fileName],
  );
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
      <WaysOut file={file} />
    </View>
  );
}

const styles = StyleSheet.create({
  making: { gap: 10 },
  ways: { gap: 12 },
});

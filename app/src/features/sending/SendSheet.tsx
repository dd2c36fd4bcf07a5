import { listMarks, listNotes, listRows } from '@marginalis/core/derived';
import { markedPages } from '@marginalis/core/leaving';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSession, useSessionState } from '@/session';
import { Sheet } from '@/ui';
import type { Asked } from './asked';
import { copyFileName } from './fileName';
import { FixedCopySection } from './FixedCopySection';
import { notesFile } from './notesFile';
import { type Part, useAsked } from './useAsked';
import { WaysOut } from './WaysOut';
import { WhatAndHow } from './WhatAndHow';

/** Asks what is to leave and as what, makes that, and offers the ways out. The original is never replaced. */
export function SendSheet({ onClose }: { onClose: () => void }) {
  const { asked, change, part, trouble } = useAsked();
  const document = useSessionState((s) => s.document);
  const marked = useMemo(() => markedPages(document).length, [document]);
  return (
    <Sheet title="Send" open onClose={onClose}>
      <WhatAndHow
        asked={asked}
        trouble={trouble}
        marked={marked}
        notes={part ? listNotes(part.document).length : 0}
        onChange={change}
      />
      {part && asked.as === 'fixed' && <AsCopy part={part} notes={asked.notes} onClose={onClose} />}
      {part && asked.as !== 'fixed' && <AsNotes part={part} as={asked.as} />}
    </Sheet>
  );
}

function AsCopy(props: { part: Part; notes: Asked['notes']; onClose: () => void }) {
  const { part, notes, onClose } = props;
  const { title } = useSession().desk;
  // As people count them: a line of writing is one.
  const marks = useMemo(() => listRows(listMarks(part.document)).length, [part]);
  const fileName = copyFileName(title, part.inName);
  return (
    <>
      <FileName name={fileName} says={marksInWords(marks)} />
      <FixedCopySection part={part} notes={notes} fileName={fileName} onStop={onClose} />
    </>
  );
}

function AsNotes({ part, as }: { part: Part; as: 'markdown' | 'table' }) {
  const { title } = useSession().desk;
  const file = useMemo(
    () => notesFile(part.document, part.names, { title, pages: part.inName, as }),
    [part, title, as],
  );
  const count = listNotes(part.document).length;
  return (
    <>
      <FileName name={file.name} says={notesInWords(count)} />
      {count > 0 && <WaysOut file={file} />}
    </>
  );
}

/** What a file is called, and what is in it. */
function FileName({ name, says }: { name: string; says: string }) {
  const { colors } = useTheme();
  return (
    <View style={styles.file}>
      <Text variant="titleMedium" selectable>
        {name}
      </Text>
      <Text style={{ color: colors.onSurfaceVariant }}>{says} The original stays as it is.</Text>
    </View>
  );
}

const marksInWords = (count: number): string =>
  count === 0
    ? 'There are no marks on it yet.'
    : `${count === 1 ? '1 mark' : `${count} marks`} drawn into the pages.`;
const notesInWords = (count: number): string =>
  count === 0 ? 'There are no notes on it.' : `${count === 1 ? '1 note' : `${count} notes`}.`;

const styles = StyleSheet.create({ file: { gap: 4 } });

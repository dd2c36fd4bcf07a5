import { type Split, splitByOutline, splitByRanges, splitEvery } from '@marginalis/core/leaving';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useStore } from 'zustand';
import { outlinesIn, usePageNames, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { Action, Choices, Field, NumberField, pagesInWords, Sheet } from '@/ui';
import { type Part, takeOut } from './takeOut';

/** More documents are not laid on the desk at once. */
const MOST = 200;
/** So many parts are named before it is done. */
const NAMED = 6;

type Where = 'count' | 'ranges' | 'contents';

/** The document in several: every so many pages, or where its contents have an entry. */
export function SplitPages({ onClose }: { onClose: () => void }) {
  const reader = useReader();
  const { session } = reader;
  const document = useSessionState((s) => s.document);
  const known = useStore(session.guide.store);
  const outlines = useMemo(
    () => outlinesIn(known, document.pages, session.leadingSource()),
    [session, document.pages, known],
  );
  const [by, setBy] = useState<Where>('count');
  const [ranges, setRanges] = useState('');
  const pageName = usePageNames();
  const [count, setCount] = useState(1);
  const { title } = session.desk;
  const { pages } = document;
  const ways: Record<Where, () => ReturnType<typeof splitByRanges>> = {
    count: () => ({ ok: true, splits: splitEvery(pages.length, count) }),
    contents: () => ({ ok: true, splits: splitByOutline(document, outlines) }),
    ranges: () =>
      splitByRanges(
        ranges,
        pages.map((_, k) => pageName(k)),
      ),
  };
  const asked = ways[by]();
  const splits = asked.ok ? asked.splits : [];
  const nameOf = (split: Split, k: number): string =>
    split.title ? `${title}: ${split.title}`.slice(0, 200) : `${title}, part ${k + 1}`;
  const parts: Part[] = splits.map((split, k) => ({ title: nameOf(split, k), pages: split.pages }));
  const isFit = parts.length > (by === 'ranges' ? 0 : 1) && parts.length <= MOST;
  const split = (): void => {
    onClose();
    void takeOut(reader, parts);
  };
  const foot = (
    <Action mode="contained" disabled={!isFit} onPress={split}>
      {parts.length === 1 ? 'Make 1 document' : `Make ${parts.length} documents`}
    </Action>
  );
  return (
    <Sheet title="Split into documents" open onClose={onClose} foot={foot}>
      <Choices
        label="Where"
        value={by}
        onChange={setBy}
        choices={[
          { value: 'count', label: 'Every so many pages' },
          { value: 'ranges', label: 'Pages …' },
          ...(outlines.length > 0
            ? [{ value: 'contents' as const, label: 'At each chapter' }]
            : []),
        ]}
      />
      {by === 'count' && (
        <NumberField
          label="Pages each"
          value={count}
          least={1}
          most={document.pages.length}
          onChange={(n) => setCount(Math.round(n))}
        />
      )}
      {by === 'ranges' && (
        <Field
          label="Pages of each document"
          placeholder="1-3; 4-6, 9"
          value={ranges}
          maxLength={2000}
          onChangeText={setRanges}
        />
      )}
      {!asked.ok && (
        <Text role="status" variant="bodySmall">
          {asked.reason}
        </Text>
      )}
      <View role="list" aria-label="The documents" style={styles.parts}>
        {parts.slice(0, NAMED).map((part) => (
          <Text key={part.title} role="listitem" variant="bodySmall" numberOfLines={1}>
            {`${part.title} (${pagesInWords(part.pages.length)})`}
          </Text>
        ))}
        {parts.length > NAMED && (
          <Text variant="bodySmall">{`and ${parts.length - NAMED} more`}</Text>
        )}
      </View>
      {parts.length > MOST && (
        <Text role="alert">{`No more than ${MOST} documents are made at once.`}</Text>
      )}
      <Text variant="bodySmall">
        This document stays as it is. The parts lie on the desk, with their marks.
      </Text>
    </Sheet>
  );
}

const styles = StyleSheet.create({ parts: { gap: 2 } });

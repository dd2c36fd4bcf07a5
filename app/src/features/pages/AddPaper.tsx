import { addPapers } from '@marginalis/core/editing';
import { PAPERS, type Pattern, PATTERNS, usualRuling } from '@marginalis/core/paper';
import { useState } from 'react';
import { Text } from 'react-native-paper';
import { usePageNames, useSessionState } from '@/session';
import { useReader } from '@/shell';
import { Action, Choices, pagesInWords, Sheet } from '@/ui';
import { pagesAsked } from './asked';

/** Paper after the pages that were asked about: one sheet after the last of them, or one after each. */
export function AddPaper({ onClose }: { onClose: () => void }) {
  const { session, stage } = useReader();
  const nameOf = usePageNames();
  const pages = useSessionState((s) => s.document.pages);
  const [{ ids }] = useState(() => pagesAsked.getState());
  const [pattern, setPattern] = useState<Pattern>('blank');
  const [where, setWhere] = useState<'last' | 'each'>('last');
  const last = pages.filter(({ id }) => ids.includes(id)).at(-1);
  const after = where === 'each' ? ids : last ? [last.id] : [];
  const add = (): void => {
    onClose();
    const { document } = session.store.getState();
    const newId = (): string => crypto.randomUUID();
    const adding = addPapers(document, after, usualRuling(pattern), newId);
    if (!adding || !session.dispatch(adding)) return;
    const first = adding.changes.find(({ part, before }) => part === 'page' && !before);
    if (first) stage.goToAdded(first.id);
  };
  const foot = (
    <Action mode="contained" disabled={after.length === 0} onPress={add}>
      {`Add ${pagesInWords(after.length)}`}
    </Action>
  );
  return (
    <Sheet title="Add paper" open onClose={onClose} foot={foot}>
      <Choices
        label="Paper"
        value={pattern}
        onChange={setPattern}
        choices={PATTERNS.map((value) => ({ value, label: PAPERS[value].name }))}
      />
      {ids.length > 1 && last && (
        <Choices
          label="Where"
          value={where}
          onChange={setWhere}
          choices={[
            { value: 'last', label: `After page ${nameOf(pages.indexOf(last))}` },
            { value: 'each', label: `After each of the ${ids.length}` },
          ]}
        />
      )}
      <Text variant="bodySmall">It is as large as the page before it.</Text>
    </Sheet>
  );
}

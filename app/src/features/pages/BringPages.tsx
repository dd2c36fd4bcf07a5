import type { DocState } from '@marginalis/core/document';
import { bringPages, replacePage } from '@marginalis/core/editing';
import { pageRanges } from '@marginalis/core/leaving';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { useReader } from '@/shell';
import { Action, Choices, Field, Sheet, pagesInWords } from '@/ui';
import { pagesAsked } from './asked';
import { ComingFrom } from './ComingFrom';
import { PageChoices } from './PageChoices';

interface Props {
  onClose: () => void;
}

/** Pages of a file, or of another document, come behind the page that was asked about. */
export const BringPages = ({ onClose }: Props) => <Bring isReplacing={false} onClose={onClose} />;

/** One of them takes the place of that page. */
export const ReplacePage = ({ onClose }: Props) => <Bring isReplacing onClose={onClose} />;

function Bring({ isReplacing, onClose }: Props & { isReplacing: boolean }) {
  const [coming, setComing] = useState<{ title: string; document: DocState } | null>(null);
  const title = isReplacing ? 'Replace a page' : 'Add pages';
  if (coming) return <Choose {...coming} isReplacing={isReplacing} onClose={onClose} />;
  return (
    <Sheet title={title} open onClose={onClose}>
      <ComingFrom onComing={setComing} />
    </Sheet>
  );
}

function Choose(props: Props & { isReplacing: boolean; title: string; document: DocState }) {
  const { isReplacing, title, document, onClose } = props;
  const { session, stage } = useReader();
  const { colors } = useTheme();
  const [{ ids }] = useState(() => pagesAsked.getState());
  const after = ids.at(-1) ?? null;
  const place = useSessionState((s) => s.document.pages.findIndex(({ id }) => id === after) + 1);
  const all = document.pages.map((_, index) => index);
  const [chosen, setChosen] = useState<ReadonlySet<number>>(() => new Set(isReplacing ? [0] : all));
  const [marks, setMarks] = useState<'stay' | 'go'>('stay');
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState('');
  const toggle = (index: number): void => {
    const next = new Set(isReplacing ? [] : chosen);
    if (chosen.has(index)) next.delete(index);
    else next.add(index);
    setChosen(next);
  };
  const take = (): void => {
    if (typed.trim() === '') return;
    const named = pageRanges(
      typed,
      all.map((index) => String(index + 1)),
    );
    if (named.ok) setChosen(new Set(named.pages));
    setTrouble(named.ok ? '' : named.reason);
  };
  const bring = (): void => {
    const now = session.store.getState().document;
    const newId = (): string => crypto.randomUUID();
    const wanted = all.filter((index) => chosen.has(index));
    const transaction =
      isReplacing && after !== null
        ? replacePage(now, after, document, wanted[0], marks, newId)
        : bringPages(now, after, document, wanted, newId);
    onClose();
    if (!transaction || !session.dispatch(transaction)) return;
    const first = transaction.changes.find(({ part, before }) => part === 'page' && !before);
    if (first) stage.goToAdded(first.id);
  };
  const count = chosen.size;
  const label = isReplacing
    ? 'Replace the page'
    : `Add ${pagesInWords(count)} behind page ${place}`;
  const foot = (
    <Action mode="contained" disabled={count === 0} onPress={bring}>
      {label}
    </Action>
  );
  return (
    <Sheet title={title} open onClose={onClose} foot={foot} tall>
      {isReplacing ? (
        <Choices
          label="The marks on the page"
          value={marks}
          onChange={setMarks}
          choices={[
            { value: 'stay', label: 'Stay' },
            { value: 'go', label: 'Go with it' },
          ]}
        />
      ) : (
        <View style={styles.row}>
          <Field
            label="Choose pages"
            placeholder="2-5, 9"
            value={typed}
            maxLength={200}
            style={styles.field}
            onChangeText={(text) => {
              setTyped(text);
              setTrouble('');
            }}
            onSubmitEditing={take}
            onBlur={take}
          />
          <Action onPress={() => setChosen(new Set(count === all.length ? [] : all))}>
            {count === all.length ? 'None' : 'All'}
          </Action>
        </View>
      )}
      {trouble !== '' && (
        <Text role="alert" style={{ color: colors.error }}>
          {trouble}
        </Text>
      )}
      <PageChoices document={document} chosen={chosen} onToggle={toggle} />
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  field: { flex: 1, minWidth: 0 },
});

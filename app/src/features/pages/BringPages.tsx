import { bringPages, replacePage } from '@marginalis/core/editing';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSessionState } from '@/session';
import { ComingFrom, PagesField, type There, useReader } from '@/shell';
import { Action, Choices, pagesInWords, Sheet } from '@/ui';
import { pagesAsked } from './asked';
import { PageChoices } from './PageChoices';

interface Props {
  onClose: () => void;
}

/** Pages of a file, or of another document, come behind the page that was asked about. */
export const BringPages = ({ onClose }: Props) => <Bring isReplacing={false} onClose={onClose} />;

/** One of them takes the place of that page. */
export const ReplacePage = ({ onClose }: Props) => <Bring isReplacing onClose={onClose} />;

function Bring({ isReplacing, onClose }: Props & { isReplacing: boolean }) {
  const [coming, setComing] = useState<There | null>(null);
  const title = isReplacing ? 'Replace a page' : 'Add pages';
  if (coming) return <Choose {...coming} isReplacing={isReplacing} onClose={onClose} />;
  return (
    <Sheet title={title} open onClose={onClose}>
      <ComingFrom several={!isReplacing} onComing={setComing} />
    </Sheet>
  );
}

function Choose(props: Props & There & { isReplacing: boolean }) {
  const { isReplacing, title, document, drop, onClose } = props;
  const { session, stage } = useReader();
  const [{ ids }] = useState(() => pagesAsked.getState());
  const after = ids.at(-1) ?? null;
  const place = useSessionState((s) => s.document.pages.findIndex(({ id }) => id === after) + 1);
  const all = document.pages.map((_, index) => index);
  const [chosen, setChosen] = useState<ReadonlySet<number>>(() => new Set(isReplacing ? [0] : all));
  const [marks, setMarks] = useState<'stay' | 'go'>('stay');
  const toggle = (index: number): void => {
    const next = new Set(isReplacing ? [] : chosen);
    if (chosen.has(index)) next.delete(index);
    else next.add(index);
    setChosen(next);
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
    if (!transaction || !session.dispatch(transaction)) return void drop();
    const first = transaction.changes.find(({ part, before }) => part === 'page' && !before);
    if (first) stage.goToAdded(first.id);
  };
  const leave = (): void => {
    onClose();
    void drop();
  };
  const count = chosen.size;
  const label = isReplacing ? 'Replace the page' : `Add ${pagesInWords(count)} after page ${place}`;
  const foot = (
    <Action mode="contained" disabled={count === 0} onPress={bring}>
      {label}
    </Action>
  );
  return (
    <Sheet title={title} open onClose={leave} foot={foot} tall>
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
          <PagesField
            label="Choose pages"
            names={all.map((index) => String(index + 1))}
            onPages={(pages) => setChosen(new Set(pages))}
          >
            <Action onPress={() => setChosen(new Set(count === all.length ? [] : all))}>
              {count === all.length ? 'None' : 'All'}
            </Action>
          </PagesField>
        </View>
      )}
      <PageChoices document={document} chosen={chosen} onToggle={toggle} />
    </Sheet>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row' } });

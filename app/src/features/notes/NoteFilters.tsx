import type { ListedNote, NoteFilter } from '@marginalis/core/derived';
import { StyleSheet, View } from 'react-native';
import { TextInput, useTheme } from 'react-native-paper';
import { useSessionState } from '@/session';
import { AuthorChoice, Choices, InkChoice, InkDrop, PageRangeFields } from '@/ui';

const ANY = 'any';
const STATES = [
  { value: 'any', label: 'All' },
  { value: 'open', label: 'Open' },
  { value: 'settled', label: 'Settled' },
] as const;
const SETTLED = { any: undefined, open: false, settled: true } as const;

/** Narrows the notes to those that are open or settled, by label and author, by the ink of what they are about, by page, and to what they say. */
export function NoteFilters(props: {
  all: readonly ListedNote[];
  pages: number;
  filter: NoteFilter;
  onChange: (filter: NoteFilter) => void;
}) {
  const { all, pages, filter, onChange } = props;
  const { colors } = useTheme();
  const tags = useSessionState((s) => s.document.tags);
  const used = [...tags.values()].filter(({ id }) =>
    all.some(({ thread }) => thread.tags.includes(id)),
  );
  const remarks = all.flatMap(({ thread }) => thread.remarks);
  const set = (part: NoteFilter) => onChange({ ...filter, ...part });
  return (
    <View style={styles.filters}>
      <TextInput
        mode="outlined"
        dense
        accessibilityLabel="What notes say"
        placeholder="What notes say"
        value={filter.text ?? ''}
        onChangeText={(text) => set({ text })}
        style={{ backgroundColor: colors.surface }}
      />
      <Choices
        label="State"
        value={filter.settled === undefined ? 'any' : filter.settled ? 'settled' : 'open'}
        onChange={(state) => set({ settled: SETTLED[state] })}
        choices={STATES}
      />
      {used.length > 0 && (
        <Choices
          label="Label"
          value={filter.tag ?? ANY}
          onChange={(tag) => set({ tag: tag === ANY ? undefined : tag })}
          choices={[
            { value: ANY, label: 'Any' },
            ...used.map(({ id, name, colour }) => ({
              value: id,
              label: name,
              sign: <InkDrop colour={colour} />,
            })),
          ]}
        />
      )}
      <AuthorChoice
        authors={[...new Set(remarks.map(({ author }) => author))]}
        value={filter.author}
        onChange={(author) => set({ author })}
      />
      <InkChoice
        label="Ink of what they are about"
        inks={[...new Set(all.flatMap(({ about }) => about?.mark.style.colour ?? []))]}
        value={filter.colour}
        onChange={(colour) => set({ colour })}
      />
      <PageRangeFields pages={pages} range={filter} onChange={set} />
    </View>
  );
}

const styles = StyleSheet.create({ filters: { gap: 8, paddingBottom: 4 } });

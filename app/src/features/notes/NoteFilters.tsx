import type { ListedNote, NoteFilter } from '@marginalis/core/derived';
import { inkName } from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { TextInput, useTheme } from 'react-native-paper';
import { Choices, InkDrop, NumberField } from '@/ui';

const ANY = 'any';
const STATES = [
  { value: ANY, label: 'All' },
  { value: 'open', label: 'Open' },
  { value: 'settled', label: 'Settled' },
] as const;

/** Narrows the notes to those that are open or settled, by author, by the ink of what they are about, by page, and to what they say. */
export function NoteFilters(props: {
  all: readonly ListedNote[];
  pages: number;
  filter: NoteFilter;
  onChange: (filter: NoteFilter) => void;
}) {
  const { all, pages, filter, onChange } = props;
  const { colors } = useTheme();
  const authors = [
    ...new Set(all.flatMap(({ thread }) => thread.remarks.map(({ author }) => author))),
  ];
  const colours = [...new Set(all.flatMap(({ about }) => about?.mark.style.colour ?? []))];
  const set = (part: NoteFilter) => onChange({ ...filter, ...part });
  const state = filter.settled === undefined ? ANY : filter.settled ? 'settled' : 'open';
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
        value={state}
        onChange={(next) => set({ settled: next === ANY ? undefined : next === 'settled' })}
        choices={STATES}
      />
      {authors.length > 1 && (
        <Choices
          label="Author"
          value={filter.author === undefined ? ANY : `by ${filter.author}`}
          onChange={(author) => set({ author: author === ANY ? undefined : author.slice(3) })}
          choices={[
            { value: ANY, label: 'Any' },
            ...authors.map((a) => ({ value: `by ${a}`, label: a === '' ? 'Not said' : a })),
          ]}
        />
      )}
      {colours.length > 1 && (
        <Choices
          label="Ink of what they are about"
          value={filter.colour ?? ANY}
          onChange={(colour) => set({ colour: colour === ANY ? undefined : colour })}
          choices={[
            { value: ANY, label: 'Any' },
            ...colours.map((c) => ({ value: c, label: inkName(c), sign: <InkDrop colour={c} /> })),
          ]}
        />
      )}
      {pages > 1 && (
        <View style={styles.row}>
          <NumberField
            label="From page"
            value={(filter.from ?? 0) + 1}
            least={1}
            most={pages}
            onChange={(page) => set({ from: Math.round(page) - 1 })}
          />
          <NumberField
            label="To page"
            value={(filter.to ?? pages - 1) + 1}
            least={1}
            most={pages}
            onChange={(page) => set({ to: Math.round(page) - 1 })}
          />
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  filters: { gap: 8, paddingBottom: 4 },
  row: { flexDirection: 'row', gap: 8 },
});

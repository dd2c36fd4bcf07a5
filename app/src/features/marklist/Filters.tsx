import type { ListedMark, MarkFilter, MarkKind } from '@marginalis/core/derived';
import { inkName } from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { type Choice, Choices, InkDrop, NumberField } from '@/ui';

const KINDS: readonly Choice<MarkKind | 'any'>[] = [
  { value: 'any', label: 'Any' },
  { value: 'ink', label: 'Ink' },
  { value: 'highlight', label: 'Highlights' },
  { value: 'figure', label: 'Figures' },
];
const ANY = 'any';

/** Narrows the list by kind, ink, author and pages. */
export function Filters(props: {
  all: readonly ListedMark[];
  pages: number;
  filter: MarkFilter;
  onChange: (filter: MarkFilter) => void;
}) {
  const { all, pages, filter, onChange } = props;
  const colours = [...new Set(all.map(({ mark }) => mark.style.colour))];
  const authors = [...new Set(all.map(({ mark }) => mark.author ?? ''))];
  const set = (part: Partial<MarkFilter>) => onChange({ ...filter, ...part });
  return (
    <View style={styles.filters}>
      <Choices
        label="Kind"
        value={filter.kind ?? ANY}
        onChange={(kind) => set({ kind: kind === ANY ? undefined : kind })}
        choices={KINDS}
      />
      {colours.length > 1 && (
        <Choices
          label="Ink"
          value={filter.colour ?? ANY}
          onChange={(colour) => set({ colour: colour === ANY ? undefined : colour })}
          choices={[
            { value: ANY, label: 'Any' },
            ...colours.map((c) => ({ value: c, label: inkName(c), sign: <InkDrop colour={c} /> })),
          ]}
        />
      )}
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
            value={Math.min(pages, (filter.to ?? pages) + (filter.to === undefined ? 0 : 1))}
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

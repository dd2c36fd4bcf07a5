import type { ListedMark, MarkFilter } from '@marginalis/core/derived';
import { KINDS } from '@marginalis/core/kinds';
import { inkName } from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { type Choice, Choices, InkDrop, NumberField } from '@/ui';

const ANY = 'any';
/** Everything the kinds tell marks apart by. */
const SORTS: readonly Choice<string>[] = [
  { value: ANY, label: 'Any' },
  ...Object.values(KINDS).flatMap(({ sorts }) =>
    Object.entries(sorts).map(([value, label]) => ({ value, label })),
  ),
];

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
        value={filter.sort ?? ANY}
        onChange={(sort) => set({ sort: sort === ANY ? undefined : sort })}
        choices={SORTS}
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

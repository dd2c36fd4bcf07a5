import { inkOf, type ListedMark, type MarkFilter } from '@marginalis/core/derived';
import { KINDS } from '@marginalis/core/kinds';
import { StyleSheet, View } from 'react-native';
import { AuthorChoice, type Choice, Choices, InkChoice, PageRangeFields } from '@/ui';

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
  const set = (part: Partial<MarkFilter>) => onChange({ ...filter, ...part });
  return (
    <View style={styles.filters}>
      <Choices
        label="Kind"
        value={filter.sort ?? ANY}
        onChange={(sort) => set({ sort: sort === ANY ? undefined : sort })}
        choices={SORTS}
      />
      <InkChoice
        label="Ink"
        inks={[...new Set(all.flatMap(({ mark }) => inkOf(mark) ?? []))]}
        value={filter.colour}
        onChange={(colour) => set({ colour })}
      />
      <AuthorChoice
        authors={[...new Set(all.map(({ mark }) => mark.author ?? ''))]}
        value={filter.author}
        onChange={(author) => set({ author })}
      />
      <PageRangeFields pages={pages} range={filter} onChange={set} />
    </View>
  );
}

const styles = StyleSheet.create({ filters: { gap: 8, paddingBottom: 4 } });

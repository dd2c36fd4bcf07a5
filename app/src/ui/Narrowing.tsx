import { inkName } from '@marginalis/core/marks';
import { StyleSheet, View } from 'react-native';
import { Choices } from './Choices';
import { InkDrop } from './InkDrop';
import { NumberField } from './NumberField';

const ANY = 'any';

/** One of the inks that a list has, or any; nothing to choose where there is one. */
export function InkChoice(props: {
  label: string;
  inks: readonly string[];
  value: string | undefined;
  onChange: (ink: string | undefined) => void;
}) {
  const { label, inks, value = ANY, onChange } = props;
  if (inks.length < 2) return null;
  return (
    <Choices
      label={label}
      value={value}
      onChange={(ink) => onChange(ink === ANY ? undefined : ink)}
      choices={[
        { value: ANY, label: 'Any' },
        ...inks.map((ink) => ({ value: ink, label: inkName(ink), sign: <InkDrop colour={ink} /> })),
      ]}
    />
  );
}

/** One of the authors that a list has, or any; nobody has an empty name. Nothing to choose where there is one. */
export function AuthorChoice(props: {
  authors: readonly string[];
  value: string | undefined;
  onChange: (author: string | undefined) => void;
}) {
  const { authors, value, onChange } = props;
  if (authors.length < 2) return null;
  const named = (author: string): string => `by ${author}`;
  return (
    <Choices
      label="Author"
      value={value === undefined ? ANY : named(value)}
      onChange={(next) => onChange(authors.find((author) => named(author) === next))}
      choices={[
        { value: ANY, label: 'Any' },
        ...authors.map((a) => ({ value: named(a), label: a === '' ? 'Not said' : a })),
      ]}
    />
  );
}

/** Pages of a document, from 0, both included. */
export interface PageRange {
  readonly from?: number;
  readonly to?: number;
}

/** From which page to which; nothing to choose where there is one. */
export function PageRangeFields(props: {
  pages: number;
  range: PageRange;
  onChange: (range: PageRange) => void;
}) {
  const { pages, range, onChange } = props;
  if (pages < 2) return null;
  const field = (label: string, value: number, end: keyof PageRange) => (
    <NumberField
      label={label}
      value={Math.min(pages, value + 1)}
      least={1}
      most={pages}
      onChange={(page) => onChange({ [end]: Math.round(page) - 1 })}
    />
  );
  return (
    <View style={styles.row}>
      {field('From page', range.from ?? 0, 'from')}
      {field('To page', range.to ?? pages - 1, 'to')}
    </View>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', gap: 8 } });

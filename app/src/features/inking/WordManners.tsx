import { inkAfter, WORD_MANNER_NAMES, WORD_MANNERS, type WordMarker } from '@marginalis/core/marks';
import { useSettings } from '@/session';
import { Choices } from '@/ui';

/** What a word marker does to words. */
export function WordManners({ instrument }: { instrument: WordMarker }) {
  const { change } = useSettings();
  const { id, manner } = instrument;
  return (
    <Choices
      label="Words are"
      value={manner}
      onChange={(next) => change(id, { manner: next, ...inkAfter(manner, next, instrument) })}
      choices={WORD_MANNERS.map((value) => ({ value, label: WORD_MANNER_NAMES[value] }))}
    />
  );
}

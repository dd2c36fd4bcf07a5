import {
  HIGHLIGHTER_INKS,
  PEN_INKS,
  type WordManner,
  type WordMarker,
} from '@marginalis/core/marks';
import { useSettings } from '@/session';
import { type Choice, Choices } from '@/ui';

const MANNERS: readonly Choice<WordManner>[] = [
  { value: 'highlight', label: 'Highlights' },
  { value: 'underline', label: 'Underlines' },
  { value: 'squiggle', label: 'Squiggles beneath' },
  { value: 'strike', label: 'Strikes through' },
];
const HIGHLIGHT_OPACITY = 0.75;

/** What a word marker does to words. */
export function WordManners({ instrument }: { instrument: WordMarker }) {
  const { change } = useSettings();
  const { id, colour, manner } = instrument;
  return (
    <Choices
      label="Words"
      value={manner}
      choices={MANNERS}
      onChange={(next) => {
        const isLight = next === 'highlight';
        // Lines in an ink to read through are not seen, and print is not read through a dark one.
        if (isLight === (manner === 'highlight')) return change(id, { manner: next });
        const inks = isLight ? HIGHLIGHTER_INKS : PEN_INKS;
        const kept = inks.some((ink) => ink.colour === colour);
        change(id, {
          manner: next,
          colour: kept ? colour : inks[0].colour,
          opacity: isLight ? HIGHLIGHT_OPACITY : 1,
        });
      }}
    />
  );
}

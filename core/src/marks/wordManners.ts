import { HIGHLIGHTER_INKS, type Ink, PEN_INKS } from './inks.ts';

/** What marks on words do to them. */
export const WORD_MANNERS = ['highlight', 'underline', 'squiggle', 'strike'] as const;
export type WordManner = (typeof WORD_MANNERS)[number];

/** As choices say them. */
export const WORD_MANNER_NAMES: Readonly<Record<WordManner, string>> = {
  highlight: 'Highlighted',
  underline: 'Underlined',
  squiggle: 'Squiggled under',
  strike: 'Struck through',
};

const HIGHLIGHT_OPACITY = 0.75;

/** Light inks for what print is read through, dark ones for lines. */
export const inksForManner = (manner: WordManner): readonly Ink[] =>
  manner === 'highlight' ? HIGHLIGHTER_INKS : PEN_INKS;

/**
 * The colour and opacity of a mark whose manner changes: a line in an ink to read through is not seen, and print is not read through a dark one, so
 * it takes the first ink of the other palette; between lines it keeps what it has.
 */
export function inkAfter(
  manner: WordManner,
  next: WordManner,
  { colour, opacity }: { readonly colour: string; readonly opacity: number },
): { colour: string; opacity: number } {
  const isLight = next === 'highlight';
  if (isLight === (manner === 'highlight')) return { colour, opacity };
  return { colour: inksForManner(next)[0].colour, opacity: isLight ? HIGHLIGHT_OPACITY : 1 };
}

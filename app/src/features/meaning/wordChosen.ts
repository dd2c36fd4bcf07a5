import { textOf } from '@marginalis/core/print';
import { WORD_PATTERN } from '@marginalis/core/wire';
import type { ChosenPart } from '@/session';

/** Words in a row that may have one meaning. */
const MOST_WORDS = 4;

/** The word, or the few words, that are selected, without what stands around them; null where they are none that could be looked up. */
export function wordChosen(parts: readonly ChosenPart[]): string | null {
  if (parts.length !== 1) return null;
  const [{ print, range }] = parts;
  if (range.to - range.from > 200) return null;
  const word = textOf(print, range).replace(/^[^\p{L}]+|[^\p{L}\p{M}\d]+$/gu, '');
  return WORD_PATTERN.test(word) && word.split(' ').length <= MOST_WORDS ? word : null;
}

import type { Meaning } from '@marginalis/core/wire';
import { readMeaning as fetchMeaning } from '@/remote';
import { keepMeaning, readMeaning } from '@/storage';

/** What a word means: as it was found before, or from the server. @throws ServerError */
export async function lookUp(word: string): Promise<Meaning> {
  const known = await readMeaning(word);
  if (known) return known;
  const meaning = await fetchMeaning(word);
  // It will be asked for again when storage is full.
  if (meaning.senses.length > 0)
    await keepMeaning(meaning).catch((e: unknown) => console.warn('A meaning was not kept.', e));
  return meaning;
}

/** The address of a search for words, where the person has set one; null otherwise. */
export const searchAddress = (pattern: string, words: string): string | null =>
  isSearchAddress(pattern) ? pattern.replace(PLACE, encodeURIComponent(words)) : null;

/** Where in the address the words go. */
export const PLACE = '{words}';

export const isSearchAddress = (pattern: string): boolean =>
  /^https?:\/\//iu.test(pattern) &&
  pattern.includes(PLACE) &&
  URL.canParse(pattern.replace(PLACE, 'word'));

import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { type Meaning, meaningSchema } from '@marginalis/core/wire';

const store = createAsyncStorage('marginalis-meanings');

/** Words that are kept at least; beyond some more of them those kept first go. */
const KEPT = 400;
const SOME = 50;

/** What was found of a word before; null where nothing is kept, or nothing that can be read. */
export async function readMeaning(word: string): Promise<Meaning | null> {
  try {
    return meaningSchema.validateSync(JSON.parse((await store.getItem(word)) ?? 'null'));
  } catch {
    return null;
  }
}

export async function keepMeaning(meaning: Meaning): Promise<void> {
  await store.setItem(meaning.word, JSON.stringify(meaning));
  const words = await store.getAllKeys();
  if (words.length > KEPT + SOME)
    for (const word of words.slice(0, words.length - KEPT)) await store.removeItem(word);
}

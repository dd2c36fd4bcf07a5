import { type Meaning, meaningSchema } from '@marginalis/core/wire';
import { LimitedStore } from './limited';

/** Words that are kept. */
const MOST = 400;

const store = new LimitedStore('marginalis-meanings', MOST);

/** What was found of a word before; null where nothing is kept, or nothing that can be read. */
export async function readMeaning(word: string): Promise<Meaning | null> {
  try {
    return meaningSchema.validateSync(JSON.parse((await store.get(word)) ?? 'null'));
  } catch {
    return null;
  }
}

export const keepMeaning = (meaning: Meaning): Promise<void> =>
  store.put(meaning.word, JSON.stringify(meaning));

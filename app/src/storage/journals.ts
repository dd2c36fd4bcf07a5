import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import type { JournalStore } from '@marginalis/core/journal';

/** A journal that is compacted while it is read is read again; so often in a row it is not. */
const MOST_READS = 20;

/** The part of a storage that reads. */
export interface Readable {
  getAllKeys(): Promise<string[]>;
  getMany(keys: string[]): Promise<Record<string, string | null>>;
}

/**
 * All names and texts as they stood together. They are read one after the other; what is gone in between went into a
 * bundle, which only a list made anew has.
 */
export async function readWhole(store: Readable): Promise<ReadonlyMap<string, string>> {
  for (let reads = 0; reads < MOST_READS; reads++) {
    const keys = await store.getAllKeys();
    const texts = await store.getMany(keys);
    const entries = keys.map((key) => [key, texts[key]] as const);
    const whole = entries.filter((e): e is readonly [string, string] => typeof e[1] === 'string');
    if (whole.length === keys.length) return new Map(whole);
  }
  throw new Error('It changes faster than it can be read.');
}

/** The journal of one document, in a database of its own, so that reading it touches no other. */
export function createJournalStore(documentId: string): JournalStore {
  const store = createAsyncStorage(`marginalis-journal-${documentId}`);
  return {
    put: (entries) => store.setMany(Object.fromEntries(entries)),
    remove: (names) => store.removeMany([...names]),
    readAll: () => readWhole(store),
  };
}

export const dropJournal = (documentId: string): Promise<void> =>
  createAsyncStorage(`marginalis-journal-${documentId}`).clear();

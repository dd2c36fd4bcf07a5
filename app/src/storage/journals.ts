import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import type { JournalStore } from '@marginalis/core/journal';

/** The journal of one document, in a database of its own, so that reading it touches no other. */
export function createJournalStore(documentId: string): JournalStore {
  const store = createAsyncStorage(`marginalis-journal-${documentId}`);
  return {
    put: (entries) => store.setMany(Object.fromEntries(entries)),
    remove: (names) => store.removeMany([...names]),
    async readAll() {
      const keys = await store.getAllKeys();
      const texts = await store.getMany(keys);
      return new Map(keys.flatMap((key) => (texts[key] === null ? [] : [[key, texts[key]]])));
    },
  };
}

export const dropJournal = (documentId: string): Promise<void> =>
  createAsyncStorage(`marginalis-journal-${documentId}`).clear();

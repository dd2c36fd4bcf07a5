import type { JournalStore } from '../src/journal/index.ts';

/** A journal's store in memory. */
export function createMemoryStore(): JournalStore {
  const texts = new Map<string, string>();
  return {
    async put(entries) {
      for (const [name, text] of entries) texts.set(name, text);
    },
    async remove(names) {
      for (const name of names) texts.delete(name);
    },
    async readAll() {
      return new Map(texts);
    },
  };
}

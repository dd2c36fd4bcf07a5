/**
 * Where a journal is kept: named texts. `put` resolves only when all of them are stored, all or none;
 * `remove` of a missing name does nothing; `readAll` gives what was put and not removed.
 */
export interface JournalStore {
  put(entries: readonly (readonly [name: string, text: string])[]): Promise<void>;
  remove(names: readonly string[]): Promise<void>;
  readAll(): Promise<ReadonlyMap<string, string>>;
}

export { type JournalRecord, JournalDamage, encodeRecord, decodeRecord } from './record.ts';
export { type JournalStore, createMemoryStore } from './store.ts';
export { type Journal, type OpenedJournal, createJournal, COMPACT_AFTER } from './journal.ts';

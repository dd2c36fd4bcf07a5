export {
  type JournalRecord,
  JournalDamage,
  JournalNewer,
  encodeRecord,
  decodeRecord,
} from './record.ts';
export { type JournalStore } from './store.ts';
export {
  type Journal,
  type OpenedJournal,
  type FollowedJournal,
  createJournal,
  followJournal,
  COMPACT_AFTER,
} from './journal.ts';

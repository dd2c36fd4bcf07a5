import { type Command, late, type Reader, type ReaderFeature } from '@/shell';
import { UNLOCK } from './ids';
import { LockedPages } from './LockedPages';

const UnlockSheet = late(async () => (await import('./UnlockSheet')).UnlockSheet);

const commands = ({ session, shell }: Reader): readonly Command[] => [
  {
    id: UNLOCK,
    title: 'Open locked pages …',
    group: 'Pages',
    also: 'password unlock protected',
    icon: 'lock',
    able: () => session.locks.store.getState().locked.length > 0,
    run: () => shell.openDialog(UNLOCK),
  },
];

/** Pages of files that are locked are seen when their passwords are known. */
export const locksFeature: ReaderFeature = {
  name: 'locks',
  commands,
  Notices: LockedPages,
  dialogs: [{ id: UNLOCK, Content: UnlockSheet }],
};

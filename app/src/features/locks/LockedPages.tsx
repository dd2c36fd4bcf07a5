import { useReader } from '@/shell';
import { Action, Notice } from '@/ui';
import { useStore } from 'zustand';
import { UNLOCK } from './ids';

/** Says that some pages are not seen, and why. */
export function LockedPages() {
  const { session, shell } = useReader();
  const isSaid = useStore(session.locks.store, (s) => s.isSaid);
  if (!isSaid) return null;
  return (
    <Notice
      text="Some pages come from a file that is locked with a password."
      onClose={session.locks.putAway}
    >
      <Action onPress={() => shell.openDialog(UNLOCK)}>Open them …</Action>
    </Notice>
  );
}

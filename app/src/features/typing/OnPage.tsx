import { late, useReader } from '@/shell';
import { usePageSeen } from '@/stage';
import { useStore } from 'zustand';
import { typingHeld } from './typingHeld';

export const TextField = late(async () => (await import('./TextField')).TextField);

/** The text that is typed on this page. */
export function OnPage({ index }: { index: number }) {
  const { typing } = useStore(typingHeld);
  const { session } = useReader();
  const page = usePageSeen(index);
  if (!page || typing?.session !== session || typing.mark.page !== page.id) return null;
  return <TextField key={typing.mark.id} typing={typing} page={page} index={index} />;
}

import { findMark } from '@marginalis/core/document';
import { asText } from '@marginalis/core/kinds';
import { useSessionState } from '@/session';
import { late, useReader } from '@/shell';
import { usePageSeen } from '@/stage';
import { useStore } from 'zustand';
import { typingHeld } from './typingHeld';

export const TextField = late(async () => (await import('./TextField')).TextField);
export const FontSettings = late(async () => (await import('./FontSettings')).FontSettings);
export const LeaderGrips = late(async () => (await import('./LeaderGrips')).LeaderGrips);

/** The text that is typed on this page, and the grips of a callout that is picked. */
export function OnPage({ index }: { index: number }) {
  const { typing } = useStore(typingHeld);
  const { session } = useReader();
  const page = usePageSeen(index);
  const callout = useSessionState(({ document, picked, writable }) => {
    const [id] = picked;
    const mark = picked.size === 1 && writable ? asText(findMark(document, id)) : null;
    return mark?.leader && mark.page === page?.id ? mark : null;
  });
  if (!page) return null;
  const isHere = typing?.session === session && typing.mark.page === page.id;
  return (
    <>
      {isHere && <TextField key={typing.mark.id} typing={typing} page={page} index={index} />}
      {callout?.leader && <LeaderGrips index={index} mark={callout} leader={callout.leader} />}
    </>
  );
}

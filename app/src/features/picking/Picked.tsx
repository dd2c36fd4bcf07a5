import { useSessionState } from '@/session';
import { late } from '@/shell';
import { usePageSeen } from '@/stage';
import { usePicked } from './usePicked';

export const InHand = late(async () => (await import('./InHand')).InHand);

/** What is in hand, where some of it is on this page. */
export function Picked({ index }: { index: number }) {
  const page = usePageSeen(index);
  const writable = useSessionState((s) => s.writable);
  const marks = usePicked();
  const here = marks.filter((mark) => mark.page === page?.id);
  if (!page || here.length === 0 || !writable) return null;
  return <InHand index={index} marks={marks} here={here} />;
}

import { useSession } from '@/session';
import { SentSheet } from './SentSheet';

/** What was sent of the open document. */
export function SentOfThis({ onClose }: { onClose: () => void }) {
  const { id } = useSession().desk;
  return <SentSheet documentId={id} onClose={onClose} />;
}

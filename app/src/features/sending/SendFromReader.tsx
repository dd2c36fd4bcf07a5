import { useState } from 'react';
import { useReader } from '@/shell';
import { beginFrame } from './region/beginFrame';
import { SendSheet } from './SendSheet';

/** What leaves the document that is open. */
export function SendFromReader({ onClose }: { onClose: () => void }) {
  const { session, stage } = useReader();
  const [current] = useState(() => stage.getSight().current);
  const frame = (): void => {
    beginFrame({ session, stage });
    onClose();
  };
  return <SendSheet onClose={onClose} inSight={{ current, frame }} />;
}

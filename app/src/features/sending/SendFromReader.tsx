import { useState } from 'react';
import { useReader } from '@/shell';
import { firstFrame } from './region/firstFrame';
import { askForRegion } from './region/regions';
import { SendSheet } from './SendSheet';

/** What leaves the document that is open. */
export function SendFromReader({ onClose }: { onClose: () => void }) {
  const { session, stage } = useReader();
  const [current] = useState(() => stage.getSight().current);
  const frame = (): void => {
    askForRegion(session, firstFrame(stage));
    onClose();
  };
  return <SendSheet onClose={onClose} inSight={{ current, frame }} />;
}

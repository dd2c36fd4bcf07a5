import { useEffect } from 'react';
import { useSession } from '@/session';
import { useStage } from '@/stage';
import { FrameWriter } from './FrameWriter';
import { useRegions } from './regions';

/** Holds what a finger does that moves the paper, and does nothing with it. */
const NOTHING = { move: () => undefined, end: () => undefined, cancel: () => undefined };

/** While a part of a page is framed the pen frames, and taps and holding fingers ask for nothing. */
export function useFramingPen(): void {
  const session = useSession();
  const hold = useStage();
  const isFraming = useRegions().framed !== undefined;
  useEffect(() => {
    if (!isFraming) return undefined;
    const { touches } = hold.controller;
    const ends = [
      hold.takePen(new FrameWriter(session, hold.controller)),
      touches.tap(() => true, true),
      touches.hold(() => NOTHING, true),
    ];
    return () => ends.forEach((end) => end());
  }, [session, hold, isFraming]);
}
